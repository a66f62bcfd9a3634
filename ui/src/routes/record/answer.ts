// An answer as it is typed with digits, and with a rest where one can be.

export const REST = ' rest ';

/** The answer with one more digit or word, at most so many characters long. */
export const typed = (before: string, more: string, most: number): string => {
  if (more === REST && (!before || before.includes(REST))) return before;
  return before.length + more.length > most ? before : before + more;
};

/** The answer without what was typed last. */
export const wiped = (answer: string): string =>
  answer.slice(0, -(answer.endsWith(REST) ? REST.length : 1));
