/*
 * A small controller that speaks Pendrix's lines: one JSON object a line, as docs/controller/README.md tells.
 * The protocol is all here; what is yours is the part called "the motor" below: steps out, encoder in.
 * As it stands it moves a motor that is made up, over standard input and output, so that it can be tried on any computer:
 *
 *     cc -O2 -o controller controller.c && ./controller
 *
 * On a board: read characters of the serial port into `line`, call `receive` for each whole line, `tick` every few milliseconds.
 * Cutters and motors hurt: what moves by itself must have a stop within reach. Local rules and a qualified person come first.
 */
#define _POSIX_C_SOURCE 199309L
#include <stdbool.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/select.h>
#include <time.h>
#include <unistd.h>

#define MAX_LINE 4096
#define FARTHEST 1125899906842624LL /* 2^50 */
#define REMEMBERED 16
#define MOVING_MS 50
#define REST_MS 1000

/* ------------------------------------------------------------------ the motor: make this part your own */

static int64_t shaft = 0;           /* what the encoder counts */
static int64_t origin = 0;          /* where 0 was set */
static int64_t frozen_at = 0;
static bool frozen = false, held = false, going = false;
static int64_t target = 0;
static uint32_t edges_a = 0, edges_b = 0;
#define COUNTS_PER_MS 20

static int64_t raw(void) { return shaft - origin; }
static int64_t counts(void) { return frozen ? frozen_at : raw(); }

static void motor_tick(int ms) {
  if (!going || !held) return;
  int64_t left = target - counts(), most = (int64_t)COUNTS_PER_MS * ms;
  int64_t step = left > most ? most : left < -most ? -most : left;
  shaft += step;
  uint64_t e = (uint64_t)(step < 0 ? -step : step);
  edges_a += (uint32_t)((e + 1) / 2);
  edges_b += (uint32_t)(e / 2);
  if (counts() == target) going = false;
}

/* ------------------------------------------------------------------ the lines: the same for every controller */

static void status(void) {
  printf("{\"event\":\"status\",\"counts\":%lld,\"raw\":%lld,\"moving\":%s,\"held\":%s,\"frozen\":%s,\"fault\":null,"
         "\"edges\":{\"a\":%u,\"b\":%u}}\n",
         (long long)counts(), (long long)raw(), going ? "true" : "false", held ? "true" : "false",
         frozen ? "true" : "false", edges_a, edges_b);
  edges_a = edges_b = 0;
  fflush(stdout);
}

/* A reader of flat objects, strict enough to refuse what is none: keys, whole numbers, texts, true, false, null, nested values skipped. */
typedef struct {
  bool ok, has_id, has_counts, counts_whole, has_on, on_flag;
  int64_t id, counts;
  char cmd[16];
} request;

static const char *space(const char *p) {
  while (*p == ' ' || *p == '\t' || *p == '\r') p++;
  return p;
}

static const char *text(const char *p, char *out, size_t room) {
  size_t n = 0;
  if (*p++ != '"') return NULL;
  while (*p && *p != '"') {
    char c = *p++;
    if ((unsigned char)c < 0x20) return NULL;
    if (c == '\\') {
      if (!*p) return NULL;
      c = *p++;
    }
    if (n + 1 < room) out[n++] = c;
    else n = room; /* too long to be any of ours */
  }
  if (*p != '"') return NULL;
  out[n < room ? n : 0] = 0;
  return p + 1;
}

static const char *number(const char *p, int64_t *out, bool *whole) {
  char *end;
  const char *from = p;
  if (*p == '-') p++;
  if (*p < '0' || *p > '9') return NULL;
  double d = strtod(from, &end);
  *whole = d >= -(double)FARTHEST && d <= (double)FARTHEST && d == (double)(int64_t)d;
  *out = *whole ? (int64_t)d : 0;
  return end;
}

static const char *skip(const char *p) { /* a nested value that means nothing here */
  int depth = 0;
  char drop[2];
  do {
    p = space(p);
    if (*p == '"') {
      if (!(p = text(p, drop, sizeof drop))) return NULL;
    } else if (*p == '{' || *p == '[') depth++, p++;
    else if (*p == '}' || *p == ']') depth--, p++;
    else if (*p == 0) return NULL;
    else p++;
  } while (depth > 0);
  return p;
}

static request read_request(const char *p) {
  request r = {0};
  char key[16], word[8];
  p = space(p);
  if (*p++ != '{') return r;
  p = space(p);
  if (*p == '}') p++;
  else
    for (;;) {
      int64_t n;
      bool whole;
      p = space(p);
      if (!(p = text(p, key, sizeof key))) return r;
      p = space(p);
      if (*p++ != ':') return r;
      p = space(p);
      if (*p == '"') {
        char value[16];
        if (!(p = text(p, value, sizeof value))) return r;
        if (!strcmp(key, "cmd")) strcpy(r.cmd, value);
      } else if (*p == '-' || (*p >= '0' && *p <= '9')) {
        if (!(p = number(p, &n, &whole))) return r;
        if (!strcmp(key, "id")) r.has_id = whole && n >= 0, r.id = n;
        if (!strcmp(key, "counts")) r.has_counts = true, r.counts_whole = whole, r.counts = n;
      } else if (*p == '{' || *p == '[') {
        if (!(p = skip(p))) return r;
      } else {
        size_t k = 0;
        while (*p >= 'a' && *p <= 'z' && k + 1 < sizeof word) word[k++] = *p++;
        word[k] = 0;
        bool is_true = !strcmp(word, "true"), is_false = !strcmp(word, "false");
        if (!is_true && !is_false && strcmp(word, "null")) return r;
        if (!strcmp(key, "on")) r.has_on = is_true || is_false, r.on_flag = is_true;
      }
      p = space(p);
      if (*p == ',') {
        p++;
        continue;
      }
      if (*p++ != '}') return r;
      break;
    }
  r.ok = *space(p) == 0;
  return r;
}

static char boot[24];
static int64_t done_id[REMEMBERED];
static char done_line[REMEMBERED][160];
static int done_count = 0;

static void answer(int64_t id, const char *error, const char *more) {
  char out[160];
  snprintf(out, sizeof out, "{\"id\":%lld,\"ok\":%s%s%s%s%s}", (long long)id, error ? "false" : "true",
           error ? ",\"error\":\"" : "", error ? error : "", error ? "\"" : "", more);
  int at = done_count++ % REMEMBERED;
  done_id[at] = id;
  strcpy(done_line[at], out);
  puts(out);
  fflush(stdout);
}

static void refuse(const char *error) {
  printf("{\"ok\":false,\"error\":\"%s\"}\n", error);
  fflush(stdout);
}

static void receive(const char *line) {
  if (*space(line) == 0) return;
  request r = read_request(line);
  if (!r.ok) {
    refuse("not a JSON object");
    return;
  }
  if (!r.has_id) {
    refuse("id must be a whole number");
    return;
  }
  const char *cmd = r.cmd;
  bool moves = !strcmp(cmd, "moveTo") || !strcmp(cmd, "jog"), sets = !strcmp(cmd, "hold") || !strcmp(cmd, "freeze");
  bool asks = !strcmp(cmd, "status"), hello = !strcmp(cmd, "hello"), zero = !strcmp(cmd, "zero"), stop = !strcmp(cmd, "stop");
  /* a client that says hello begins to count its lines anew; else a line that is sent again is done once */
  if (hello) done_count = 0;
  for (int i = 0; i < done_count && i < REMEMBERED; i++)
    if (done_id[i] == r.id) {
      puts(done_line[i]);
      if (asks) status();
      fflush(stdout);
      return;
    }
  const char *why = NULL;
  if (!(moves || sets || asks || hello || zero || stop)) why = "unknown command";
  else if (moves && !(r.has_counts && r.counts_whole)) why = "counts must be a whole number";
  else if (sets && !r.has_on) why = "on must be true or false";
  else if (moves && frozen) why = "frozen: the work is clamped";
  else if (moves && !held) why = "not held: switch the motor on first";
  else if (zero && going) why = "moving: stop first";
  if (!why) {
    if (moves) target = r.counts + (!strcmp(cmd, "jog") ? counts() : 0), going = true;
    if (stop) going = false;
    if (zero) origin += counts(), frozen_at = 0;
    if (!strcmp(cmd, "hold")) held = r.on_flag, going = going && held;
    if (!strcmp(cmd, "freeze")) {
      if (r.on_flag && !frozen) frozen_at = raw(), frozen = true;
      else if (!r.on_flag && frozen) origin += raw() - frozen_at, frozen = false;
    }
  }
  char more[80] = "";
  if (hello && !why) snprintf(more, sizeof more, ",\"name\":\"sketch in C\",\"boot\":\"%s\",\"protocol\":1", boot);
  answer(r.id, why, more);
  if (!why && (asks || zero)) status();
}

static void tick(int ms) {
  static int since = 0;
  static bool was = false;
  bool asked = going;
  motor_tick(ms);
  since += ms;
  bool stopped = (was || asked) && !going;
  was = going;
  if (!stopped && since < (going ? MOVING_MS : REST_MS)) return;
  since = 0;
  status();
}

/* ------------------------------------------------------------------ standard input and output, to try it */

int main(void) {
  static char line[MAX_LINE + 2];
  static char room[4096];
  size_t n = 0;
  bool over = false;
  struct timespec last, now;
  clock_gettime(CLOCK_MONOTONIC, &last);
  snprintf(boot, sizeof boot, "c-%lx-%d", (long)time(NULL), (int)getpid());
  for (;;) {
    fd_set in;
    struct timeval wait = {0, 5000};
    FD_ZERO(&in);
    FD_SET(0, &in);
    if (select(1, &in, NULL, NULL, &wait) > 0) {
      ssize_t got = read(0, room, sizeof room);
      if (got <= 0) return 0;
      for (ssize_t i = 0; i < got; i++) {
        if (room[i] == '\n') {
          line[n] = 0;
          if (over) refuse("a line is at most 4096 characters");
          else receive(line);
          n = 0;
          over = false;
        } else if (n >= MAX_LINE) over = true;
        else line[n++] = room[i] ? room[i] : 1;
      }
    }
    clock_gettime(CLOCK_MONOTONIC, &now);
    int ms = (int)((now.tv_sec - last.tv_sec) * 1000 + (now.tv_nsec - last.tv_nsec) / 1000000);
    if (ms >= 5) {
      last = now;
      tick(ms);
    }
  }
}
