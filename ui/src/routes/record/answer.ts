// An answer as it is typed with digits, and with a remainder where there can be one.

export const REST = ' r ';

const rested = (answer: string): boolean => answer.includes(REST) || answer.includes(' rest ');

/** The answer with one more digit or word, at most so many characters long. */
export const typed = (before: string, more: string, most: number): string => {
  if (more === REST && (!before || rested(before))) return before;
  return before.length + more.length > most ? before : before + more;
};

/** The answer without what was typed last. */
export const wiped = (answer: string): string =>
  answer.slice(0, -(answer.endsWith(REST) ? REST.length : 1));
