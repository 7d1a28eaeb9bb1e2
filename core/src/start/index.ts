export { aimIds, aimOf, type AimId } from './aims/index.ts';
export {
  aimEdits,
  answerEdits,
  beginEdit,
  compareEdits,
  startForm,
  takeEdits,
  type Asking,
  type StartForm,
} from './form.ts';
export type { OutputEdit } from './question.ts';
export { FIRST_STAGES, propose } from './propose.ts';
export type { Proposals, Proposed } from './proposed.ts';
export { proposalReport, type ProposalReport } from './words.ts';
