// An answer as it is typed with digits, and with a rest where one can be.
import { shared } from '../../lib/state.svelte';
import type { Observe } from '../../lib/wire.gen';

export const REST = ' rest ';

type Given = Pick<Observe, 'answer' | 'came'>;

/** The answer with one more digit or word; what was marked begins anew. */
export const typed = (draft: Given, more: string): Given => {
  const most = shared.desk?.limits.answer ?? 0;
  const before = draft.came === 'typed' ? draft.answer : '';
  const idle = more === REST && (!before || before.includes(REST));
  const answer = idle ? before : before + more;
  return { answer: answer.length > most ? before : answer, came: 'typed' };
};

/** The answer without what was typed last. */
export const wiped = (draft: Given): Given => {
  if (draft.came !== 'typed') return { answer: '', came: 'typed' };
  const less = draft.answer.endsWith(REST) ? REST.length : 1;
  return { answer: draft.answer.slice(0, -less), came: 'typed' };
};
