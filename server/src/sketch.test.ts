import { spawn, spawnSync, type ChildProcessWithoutNullStreams } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { connectLines, reach, type Clock, type LineLink } from '@pendrix/core/control/index';
import { LINE_CASES } from '@pendrix/core/testing/line-cases';

/** The sketch in C, where there is a compiler. */
const source = fileURLToPath(new URL('../../docs/controller/controller.c', import.meta.url));
const binary = path.join(mkdtempSync(path.join(tmpdir(), 'pendrix-c-')), 'controller');
const compiler = ['cc', 'gcc', 'clang'].find((c) => spawnSync(c, ['--version']).status === 0);
const within = compiler === undefined ? describe.skip : describe;

within('the sketch in C', () => {
  let running: ChildProcessWithoutNullStreams;
  let link: LineLink;
  const lines: string[] = [];
  beforeAll(() => {
    const made = spawnSync(compiler!, ['-O2', '-Wall', '-Wextra', '-Werror', '-o', binary, source]);
    expect([made.status, made.stderr.toString()]).toEqual([0, '']);
    running = spawn(binary);
    link = {
      send: (line) => running.stdin.write(`${line}\n`),
      onLine: null,
      onClose: null,
      close: () => running.kill(),
    };
    let rest = '';
    running.stdout.on('data', (data: Buffer) => {
      const all = (rest + data.toString('utf8')).split('\n');
      rest = all.pop() ?? '';
      for (const line of all) {
        lines.push(line);
        link.onLine?.(line);
      }
    });
  });
  afterAll(() => void running.kill());
  const clock: Clock = {
    after: (ms, act) => {
      const timer = setTimeout(act, ms);
      return () => clearTimeout(timer);
    },
  };

  test('answers every line as the stand-ins do', async () => {
    for (const [line, holds] of LINE_CASES) {
      const from = lines.length;
      link.send(line);
      const answered = (): boolean => lines.slice(from).some((l) => l.includes(holds));
      for (let i = 0; i < 200 && !answered(); i++) await new Promise((r) => setTimeout(r, 5));
      expect([
        line.slice(0, 60),
        lines.slice(from).filter((l) => !l.includes('"event"') || holds.includes('event')),
      ]).toEqual([line.slice(0, 60), expect.arrayContaining([expect.stringContaining(holds)])]);
    }
  });
  test('goes where it is sent, from one side, and a line sent twice is done once', async () => {
    const controller = await connectLines(link, clock);
    await controller.hold(true);
    for (const counts of [15_000, 14_000])
      expect(
        await reach(controller, clock, { counts, window: 0, beyond: 60, side: 1, most: 20_000 }),
      ).toMatchObject({ ok: true, error: 0 });
    link.send('{"id":900,"cmd":"jog","counts":100}');
    link.send('{"id":900,"cmd":"jog","counts":100}');
    await new Promise((r) => setTimeout(r, 300));
    expect(controller.status()!.counts).toBe(14_100);
    await controller.zero();
    // where it stands is told after the answer
    await new Promise<void>((told) => {
      if (controller.status()!.counts === 0) told();
      controller.onStatus = ({ counts }) => counts === 0 && told();
    });
    controller.onStatus = null;
  });
});
