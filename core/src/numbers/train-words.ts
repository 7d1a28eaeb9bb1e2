import type { Words } from './refusal-told.ts';

/** The refusals of drives that hold several trains, in words. */
export const trainWords = {
  noSuchTrain: {
    message: (t) => `there is no train ${t.given}`,
    cure: (t) => `the trains are ${t.limit ?? 'others'}`,
  },
  sameTrain: {
    message: (t) => `two trains are called ${t.given}`,
    cure: () => 'give one of them another name',
  },
  noTrainName: { message: () => 'a train needs a name', cure: () => 'write one, for example Moon' },
  tooManyTrains: {
    message: (t) => `${t.given} trains are more than the ${t.limit ?? '40'} that a drive holds`,
    cure: () => 'put some of them into a drive of their own',
  },
  hangsOnItself: {
    message: (t) => `${t.given} would hang on itself`,
    cure: () => 'let it begin at a train that does not need it, or give it a source of its own',
  },
  hangsThere: {
    message: (t) => `${t.given} hangs on ${t.limit ?? 'what would go'}`,
    cure: () => 'let it begin elsewhere first, or take it away',
  },
  lastTrain: {
    message: () => 'a drive needs a train with a source',
    cure: () => 'add another axis first, then take this one away',
  },
  otherTrain: {
    message: (t) => `that place belongs to ${t.limit ?? 'another train'}`,
    cure: () => 'move a stage within its own train',
  },
  sharedStages: {
    message: (t) => `this would change the stages that ${t.limit ?? 'other trains'} share`,
    cure: () => 'keep the shared stages, or change them at the output they belong to',
  },
  noCommonSource: {
    message: (t) => `${t.given} have no source in common, so no ratio holds between them`,
    cure: () => 'ask it of two outputs that one source turns',
  },
  sameOutput: {
    message: (t) => `${t.given} is both outputs of this ratio`,
    cure: () => 'choose two different ones',
  },
} as const satisfies Record<string, Words>;
