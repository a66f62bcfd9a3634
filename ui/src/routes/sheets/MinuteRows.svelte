<script lang="ts">
  // How many facts each child tried and had right in its minute: two numbers in a row, drawn
  // beside the child's own last times and nobody else's.
  import { tick } from 'svelte';
  import { newId } from '../../lib/id';
  import { outbox } from '../../lib/outbox.svelte';
  import { shared } from '../../lib/state.svelte';
  import type { AnswerRow, MinuteDone } from '../../lib/wire.gen';

  let {
    rows,
    facts,
    sheet = '',
    today,
    seconds = 60,
    onrow,
  }: {
    rows: AnswerRow[];
    facts: string;
    sheet?: string;
    today: string;
    seconds?: number;
    onrow: (row: AnswerRow) => void;
  } = $props();

  interface Typed {
    tried: string;
    right: string;
  }
  // What is typed and not kept yet lies on this device, over a reload too.
  const key = $derived(`minute typed ${shared.me?.id} ${shared.desk?.class.id} ${facts} ${sheet}`);
  function lying(at: string): Record<string, Typed> {
    try {
      return JSON.parse(localStorage.getItem(at) ?? '{}') as Record<string, Typed>;
    } catch {
      return {};
    }
  }
  let typed = $derived(lying(key));
  function note(now: Record<string, Typed>): void {
    typed = now;
    try {
      localStorage.setItem(key, JSON.stringify(now));
    } catch {
      // the device is full: the page has it
    }
  }
  let kept = $state<Record<string, MinuteDone>>({}); // of this minute, where there is no sheet
  let wrong = $state<Record<string, string>>({});

  const before = (c: AnswerRow): MinuteDone[] => c.minute?.before ?? [];
  const now = (c: AnswerRow): MinuteDone | undefined => c.minute?.kept ?? kept[c.id];
  const valueOf = (c: AnswerRow, of: keyof Typed): string =>
    typed[c.id]?.[of] ?? (now(c) ? String(of === 'tried' ? now(c)!.tried : now(c)!.right) : '');
  function type(c: AnswerRow, of: keyof Typed, text: string): void {
    const digits = text.replace(/\D/g, '').slice(0, 3);
    const now = { tried: valueOf(c, 'tried'), right: valueOf(c, 'right'), [of]: digits };
    note({ ...typed, [c.id]: now });
  }
  function settle(c: AnswerRow): void {
    const t = typed[c.id];
    if (!t || t.tried === '' || t.right === '' || !shared.mayPresent) return;
    const [tried, right] = [Number(t.tried), Number(t.right)];
    if (right > tried) {
      wrong[c.id] = 'more right than tried';
      return;
    }
    delete wrong[c.id];
    const last = now(c);
    if (last && last.tried === tried && last.right === right) return;
    const id = newId();
    const done: MinuteDone = { id, day: today, tried, right };
    kept[c.id] = done;
    note(Object.fromEntries(Object.entries(typed).filter(([id]) => id !== c.id)));
    if (sheet) onrow({ ...c, minute: { before: before(c), kept: done } });
    void outbox.add(sheet || `minute ${facts}`, {
      kind: 'minute',
      made: {
        id,
        learner: c.id,
        sheet: sheet || undefined,
        facts,
        seconds,
        tried,
        right,
        day: today,
        replaces: last?.id,
      },
      says: `${c.name}, a minute: ${right} right of ${tried}`,
    });
  }
  async function enter(e: KeyboardEvent): Promise<void> {
    if (e.key !== 'Enter' || e.repeat) return;
    e.preventDefault();
    const all = [...document.querySelectorAll<HTMLInputElement>('[data-minute]')];
    const at = all.indexOf(e.currentTarget as HTMLInputElement);
    await tick();
    (all[at + 1] ?? all[at])!.focus();
  }

  // The last times as dots on one line, the most of all of them at its top.
  const W = 150;
  const H = 36;
  const dots = (c: AnswerRow): { x: number; y: number; tried: number; last: boolean }[] => {
    const list = [...before(c).filter((m) => m.id !== now(c)?.id), ...(now(c) ? [now(c)!] : [])];
    const most = Math.max(10, ...list.map((m) => m.tried));
    return list.map((m, i) => ({
      x: 10 + (list.length < 2 ? 0 : (i * (W - 20)) / (list.length - 1)),
      y: H - 5 - ((H - 10) * m.right) / most,
      tried: H - 5 - ((H - 10) * m.tried) / most,
      last: i === list.length - 1 && !!now(c),
    }));
  };
  const says = (c: AnswerRow): string => {
    const last = before(c)
      .filter((m) => m.id !== now(c)?.id)
      .at(-1);
    return last ? `last time ${last.right} of ${last.tried}` : 'the first time';
  };
</script>

<div class="rows" role="table" aria-label="A minute">
  <div class="row head" role="row">
    <span role="columnheader">child</span>
    <span role="columnheader">tried</span>
    <span role="columnheader">right</span>
    <span role="columnheader">its own last times</span>
  </div>
  {#each rows as c (c.id)}
    <div class="row" role="row">
      <span class="name private" role="rowheader">{c.name}</span>
      <span role="cell">
        <input
          data-minute
          inputmode="numeric"
          autocomplete="off"
          aria-label="{c.name}: tried"
          value={valueOf(c, 'tried')}
          disabled={!shared.mayPresent}
          oninput={(e) => type(c, 'tried', e.currentTarget.value)}
          onkeydown={enter}
          onblur={() => settle(c)}
        />
      </span>
      <span role="cell">
        <input
          data-minute
          inputmode="numeric"
          autocomplete="off"
          class:wrong={wrong[c.id]}
          aria-invalid={!!wrong[c.id]}
          aria-label="{c.name}: right"
          value={valueOf(c, 'right')}
          disabled={!shared.mayPresent}
          oninput={(e) => type(c, 'right', e.currentTarget.value)}
          onkeydown={enter}
          onblur={() => settle(c)}
        />
      </span>
      <span class="last" role="cell">
        {#if dots(c).length}
          {@const d = dots(c)}
          <svg width={W} height={H} viewBox="0 0 {W} {H}" aria-hidden="true">
            <path d="M4 {H - 4}H{W - 4}" class="ground" />
            <path d="M{d.map((p) => `${p.x} ${p.y}`).join('L')}" class="line" />
            {#each d as p, i (i)}
              <path d="M{p.x} {p.tried}V{p.y}" class="tried" />
              <circle cx={p.x} cy={p.y} r={p.last ? 5 : 3.5} class:last={p.last} />
            {/each}
          </svg>
        {/if}
        <span class="small">{wrong[c.id] ?? says(c)}</span>
      </span>
    </div>
  {/each}
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: minmax(90px, 1fr) 76px 76px minmax(160px, 2fr);
    align-items: center;
    gap: 10px;
    min-height: 50px;
    border-bottom: 1px solid var(--line);
  }
  .head {
    min-height: 30px;
    color: var(--ink-2);
  }
  .name {
    font-family: var(--kid);
    overflow-wrap: anywhere;
    line-height: 19px;
  }
  input {
    width: 68px;
    height: 44px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font: 400 20px / 1 var(--kid);
    text-align: center;
  }
  input.wrong {
    border-color: var(--clay);
    border-width: 2.5px;
  }
  .last {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 12px;
  }
  .ground {
    stroke: var(--tray);
  }
  .line {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 1.6;
  }
  .tried {
    stroke: var(--edge);
    stroke-width: 1.4;
    stroke-dasharray: 2 2;
  }
  circle {
    fill: var(--paper);
    stroke: var(--leaf);
    stroke-width: 2;
  }
  circle.last {
    fill: var(--leaf);
  }
</style>
