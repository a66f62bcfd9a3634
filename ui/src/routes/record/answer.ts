// An answer as it is typed with digits, and with what stands between its parts where it can
// have more than one: a remainder, a plus.

/** What stands between more than two parts: a plus, and the comma between kinds. */
const SEVERAL = [' + ', ', '];

/** The answer with one more digit or word, at most so many characters long. */
export const typed = (before: string, more: string, most: number, between: string): string => {
  const parted = SEVERAL.includes(between)
    ? before.endsWith(between)
    : before.includes(between) || before.includes(' rest ');
  if (between && more === between && (!before || parted)) return before;
  return before.length + more.length > most ? before : before + more;
};

/** The figures of an answer: what stands between them is written in more ways than one. */
export const figures = (answer: string): string => answer.replace(/[^0-9]+/g, ' ').trim();

/** The answer without what was typed last. */
export const wiped = (answer: string, between: string): string =>
  answer.slice(0, -(between && answer.endsWith(between) ? between.length : 1));

/** What an adult saw in the moves stands behind an answer: "57, golden bar forgotten". */
export const sawIn = (answer: string, seen: string[]): string =>
  seen.find((s) => answer.endsWith(`, ${s}`)) ?? '';

/** The answer without what was seen, and with it. */
export const without = (answer: string, saw: string): string =>
  saw ? answer.slice(0, -saw.length - 2) : answer;
export const withSeen = (answer: string, saw: string): string =>
  saw ? `${answer}, ${saw}` : answer;
