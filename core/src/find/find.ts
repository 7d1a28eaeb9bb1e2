import { findAfter } from './after.ts';
import type { FindAnswer } from './answer.ts';
import { joined } from './join.ts';
import { WHOLE } from './ratio-question.ts';
import type { FindRequest } from './request.ts';
import type { Search } from './search.ts';
import { findShare } from './share.ts';

/** Searches the parts of a request for what it asks, exhaustively. (handbook: find) */
export function* find(request: FindRequest): Search<FindAnswer> {
  const found = yield* findShare(request, WHOLE);
  return yield* findAfter(request, joined(request, [found]));
}
