<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { mdiArrowRight, mdiCompare } from '@mdi/js';
import { refusalSentence, type Drive, type Refusal, type Result } from '@pendrix/core';
import {
  aimEdits,
  answerEdits,
  beginEdit,
  compareEdits,
  proposalReport,
  startForm,
  takeEdits,
  type AimId,
  type OutputEdit,
} from '@pendrix/core/start/index';
import { useRecords } from '../../records/records.ts';
import { useNotices } from '../../stores/notices.ts';
import { useProposing } from '../../stores/proposing.ts';
import { useShelf } from '../../stores/shelf.ts';
import { useOpenDrive } from '../../ui/open-drive.ts';
import { useSettled } from '../../ui/settled.ts';
import TwoColumns from '../../ui/TwoColumns.vue';
import AimPicture from './AimPicture.vue';
import ProposalCard from './ProposalCard.vue';
import QuestionRow from './QuestionRow.vue';

/** A new drive asks first: what it shall do, a few questions, and beside them what would do it. */
const { drive } = defineProps<{ drive: Drive }>();
const { editAt } = useOpenDrive();
const records = useRecords();
const shelf = useShelf();
const notices = useNotices();
const proposing = useProposing();
const router = useRouter();

const form = computed(() => startForm(drive));
/** Several edits as one step. */
function takeAll(edits: readonly OutputEdit[], session = `asked-${Date.now()}`): Refusal | null {
  for (const { output, edit } of edits) {
    const refused = editAt(output, edit, session);
    if (refused) return refused;
  }
  return null;
}
const take = (made: Result<readonly OutputEdit[]>, session?: string): Refusal | null =>
  made.ok ? takeAll(made.value, session) : made.refusal;
function aim(id: AimId): void {
  if (id === form.value.aim) return;
  tell(take(aimEdits(drive, id)));
}
const answer =
  (id: string) =>
  (text: string, session?: string): Refusal | null =>
    take(answerEdits(drive, id, text), session);
const tell = (refused: Refusal | null): boolean => {
  if (refused) notices.tell({ message: refusalSentence(refused), tone: 'bad' });
  return refused === null;
};

const { settled } = useSettled(() => [drive, shelf.parts, records.ready] as const);
watch(
  settled,
  ([now, , ready]) => {
    if (ready && startForm(now).aim !== null && startForm(now).lacks === null) void proposing.propose(now);
  },
  { immediate: true },
);
const asks = computed(() => form.value.aim !== null && form.value.lacks === null);
const proposals = computed(() => (asks.value ? proposing.proposals : null));
const lower = (text: string): string => text.replace(/^./, (c) => c.toLowerCase());
/** Cards before somebody asks for more. */
const FEW = 3;
const all = ref(false);
/** While it is looked on, only what surely does it: what is doubtful may still be outdone. */
const offered = computed(() => {
  const { list = [], sure = 0, done = false } = proposals.value ?? {};
  return done || !proposing.running ? list : list.slice(0, sure);
});
const cards = computed(() => offered.value.slice(0, all.value ? 24 : FEW).map(proposalReport));
const opened = ref<string | null>(null);
const card = computed(() => cards.value.find((c) => c.key === opened.value) ?? cards.value[0] ?? null);
const many = computed(() => offered.value.length);
const told = computed(() => {
  const { meeting = 0, sure = 0 } = proposals.value ?? {};
  if (many.value === 0) return '';
  if (proposing.running) return `${sure} do it so far, the simplest first`;
  return meeting === 0 ? 'none quite, these nearly' : `${meeting} do it, the simplest first`;
});

function begin(): void {
  if (!card.value) return;
  if (tell(takeAll(takeEdits(drive, card.value.drive, card.value.title))))
    void router.push({ name: 'train' });
}
function compare(): void {
  if (tell(takeAll(compareEdits(drive)))) void router.push({ name: 'find' });
}
/** The Job as it is; the field that comes first there is the one to begin in. */
function know(): void {
  if (tell(takeAll([{ output: 0, edit: beginEdit }]))) void router.push({ name: 'job', query: { new: '1' } });
}
</script>

<template>
  <TwoColumns aside="Drives that would do it" shares="1fr 1fr">
    <header class="sub">
      <h2>New drive</h2>
      <span class="q">a few answers are enough; each can be changed in the Job</span>
    </header>
    <div class="scroll asks">
      <h3 id="what-shall">What shall it do?</h3>
      <div class="aims" role="group" aria-labelledby="what-shall">
        <button
          v-for="a in form.aims"
          :key="a.id"
          type="button"
          class="aim"
          :aria-pressed="a.id === form.aim"
          @click="aim(a.id)"
        >
          <AimPicture :aim="a.id" />
          <b>{{ a.title }}</b>
          <span class="quiet">{{ a.hint }}</span>
        </button>
      </div>
      <div v-if="form.asking.length > 0" class="questions">
        <QuestionRow
          v-for="q in form.asking"
          :key="`${form.aim}-${q.id}`"
          :asking="q"
          :answer="answer(q.id)"
        />
      </div>
    </div>
    <template #aside>
      <header class="sub">
        <h2>Drives that would do it</h2>
        <span class="q" role="status">{{ told }}</span>
      </header>
      <div class="cards">
        <ProposalCard
          v-for="c in cards"
          :key="c.key"
          :proposal="c"
          :chosen="c.key === card?.key"
          @choose="opened = c.key"
        />
        <v-btn v-if="many > FEW" class="more" variant="text" @click="all = !all">{{
          all ? 'The first three' : `${Math.min(many, 24) - FEW} more`
        }}</v-btn>
        <p v-if="cards.length === 0" class="quiet teach">
          <template v-if="form.aim === null"
            >Press a picture: what would do it stands here, with your own parts first.</template
          >
          <template v-else-if="form.lacks">One answer is needed: {{ form.lacks }}.</template>
          <template v-else-if="proposing.failed"
            >It failed. Change an answer, or go on by your own numbers.</template
          >
          <template v-else-if="proposing.running || !proposals"
            >Looking: the first are here in a moment.</template
          >
          <template v-else>
            Nothing with two stages does all of that. Compare all with more stages, or ask for a little less.
          </template>
        </p>
      </div>
      <footer class="foot">
        <v-btn variant="flat" :prepend-icon="mdiArrowRight" :disabled="!card" @click="begin">{{
          card ? `Begin with ${lower(card.title)}` : 'Begin'
        }}</v-btn>
        <v-btn :prepend-icon="mdiCompare" :disabled="!asks" @click="compare">Compare all</v-btn>
        <v-spacer />
        <v-btn variant="text" @click="know">I know my numbers</v-btn>
      </footer>
    </template>
  </TwoColumns>
</template>

<style scoped>
.asks {
  flex: 1;
  padding: 0.875rem 1.25rem 1rem;
}
.aims {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 0.625rem;
  margin-top: 0.5rem;
}
.aim {
  display: flex;
  flex-direction: column;
  justify-content: flex-start;
  text-align: left;
  border: 1px solid var(--p-hair);
  border-radius: 2px;
  background: var(--p-surface);
  padding-bottom: 0.4375rem;
  overflow: hidden;
}
.aim b,
.aim span {
  display: block;
  padding: 0 0.625rem;
}
.aim b {
  padding-top: 0.375rem;
  line-height: 1.1875rem;
}
.aim span {
  font-size: 0.8125rem;
  line-height: 1.0625rem;
}
.aim[aria-pressed='true'] {
  border-color: var(--p-blue);
  box-shadow: 0 0 0 1px var(--p-blue);
}
.aim[aria-pressed='true'] b {
  color: var(--p-blue);
}
.questions {
  margin-top: 0.875rem;
  border-top: 1px solid var(--p-hair);
}
.cards {
  flex: 1;
  container-type: inline-size;
}
.more {
  margin: 0.25rem 0 0.5rem 1.25rem;
}
.teach {
  padding: 2rem 2.5rem;
  text-align: center;
}
.foot {
  position: sticky;
  bottom: 0;
  z-index: 1;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem 0.625rem;
  padding: 0.75rem 1.25rem;
  background: var(--p-amber-ground);
  border-top: 2px solid var(--p-amber);
}
.foot :deep(.v-btn__content) {
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 600px) {
  .aims {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
