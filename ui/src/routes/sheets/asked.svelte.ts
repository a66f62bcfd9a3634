// The sheet that is being put together: it lies on this device, over a reload too.
import { newId } from '../../lib/id';
import { shared } from '../../lib/state.svelte';
import type { AskSheet, SheetKind, Sheets } from '../../lib/wire.gen';

const key = (): string => `sheet ${shared.me?.id} ${shared.desk?.class.id}`;

/** What a kind is asked for first; paper, key and days stay as they were. */
export function usual(kind: SheetKind, before?: AskSheet): AskSheet {
  return {
    id: newId(),
    kind: kind.kind,
    paper: before?.paper ?? 'a4',
    key: before?.key ?? 'foot',
    count: kind.usual,
    boxes: kind.columns,
    signs: kind.columns,
    room: false,
    strand: '',
    stage: '',
    facts: before?.facts || 'bonds',
    days: before?.days ?? 30,
    seed: before?.seed ?? Math.floor(Math.random() * 1_000_000),
    alike: false,
    tasks: '',
    children: before?.children ?? [],
    again: {},
  };
}

export function read(): AskSheet | undefined {
  try {
    return JSON.parse(localStorage.getItem(key()) ?? '') as AskSheet;
  } catch {
    return undefined;
  }
}

export function keep(ask: AskSheet): void {
  try {
    localStorage.setItem(key(), JSON.stringify(ask));
  } catch {
    // the device is full: the page has it
  }
}

/** What lies on this device, as far as it still suits the class. */
export function begin(all: Sheets): AskSheet {
  const before = read();
  const kind = all.kinds.find((k) => k.kind === before?.kind) ?? all.kinds[0]!;
  const ask = before && before.kind === kind.kind ? before : usual(kind, before);
  const here = all.children.map((c) => c.id);
  const known = ask.children.filter((id) => here.includes(id));
  return {
    ...ask,
    lesson: undefined, // whose list it was
    children: known.length ? known : here.filter((id) => !all.away.includes(id)),
    stage: kind.stages.some((s) => s.id === ask.stage) ? ask.stage : '',
    strand: kind.strands.some((s) => s.id === ask.strand) ? ask.strand : '',
  };
}
