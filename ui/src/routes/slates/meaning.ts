// What a wrong answer means, by the slip that gives just this.
import type { Slates } from '../../lib/wire.gen';

const figures = (text: string): string => text.replace(/[^0-9<>]+/g, ' ').trim();
const MOST = 2; // slips that are named

export function meaning(here: Slates, answer: string): string {
  if (!answer) return '';
  const gave = here.wrong.find((g) => figures(g.answer) === figures(answer));
  const says = gave?.slips.map((ids) =>
    ids.map((id) => here.slips[id]!.own || here.slips[id]!.says).join(' and '),
  );
  return says?.slice(0, MOST).join(', or ') ?? '';
}
