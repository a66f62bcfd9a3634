<script lang="ts">
  // Numbers above what pieces can show, worked with cards alone: each place has its
  // cards in its own lane, 13 tens as 100 and 30 on one another. A swap carries the
  // higher card into the next lane.
  import Cards from '../../lib/pieces/Cards.svelte';
  import Mark from '../../lib/pieces/Mark.svelte';
  import type { Lesson, Words } from '../../lib/wire.gen';

  let {
    lesson,
    index,
    words,
    w,
    h,
  }: { lesson: Lesson; index: number; words: Words; w: number; h: number } = $props();

  const sum = $derived(lesson.link.sum);
  const step = $derived(lesson.steps[index]!);
  const done = $derived(lesson.steps.slice(0, index + 1));
  const places = $derived.by(() => {
    const top = words.places.findIndex((p) => p.id === lesson.top);
    return words.places.slice(0, top + 1).toReversed();
  });
  const joins = $derived(lesson.steps.findIndex((s) => s.kind === 'join'));
  const written = $derived(done.filter((s) => s.kind === 'write'));
  const slid = $derived(done.find((s) => s.kind === 'slide'));
  const labels = $derived(done.filter((s) => s.kind === 'label'));
  const before = $derived(lesson.steps[index - 1]?.laid ?? {});

  interface Row {
    zone: string;
    name: string;
    whole?: number[]; // slid together
  }
  const rows = $derived.by((): Row[] => {
    const result = {
      zone: 'result',
      name: sum.kind === 'difference' ? 'left' : 'result',
      whole: slid?.cards,
    };
    if (joins >= 0 && index < joins)
      return lesson.steps
        .filter((s) => s.kind === 'label')
        .map((s) => ({
          zone: `tray-${s.tray}`,
          name: `tray ${s.tray}`,
          whole: labels.find((l) => l.tray === s.tray)?.cards,
        }));
    if (joins >= 0) return [{ zone: 'joined', name: 'together' }, result];
    const start = { zone: 'start', name: 'the number' };
    if (sum.kind === 'difference') return [start, { zone: 'taken', name: 'taken away' }, result];
    const each = { zone: 'share-1', name: `each of ${sum.numbers[1]}` };
    return [start, each, { zone: 'remainder', name: 'remainder' }];
  });
  const cardsIn = (zone: string, place: string): number[] =>
    zone === 'result'
      ? (written.find((s) => s.place === place)?.cards ?? [])
      : (step.laid?.[zone]?.[place] ?? []);
  /** What a swap has just brought into a lane. */
  const arrived = (zone: string, place: string): boolean =>
    ['swap', 'swap-down', 'swap-up'].includes(step.kind) &&
    zone !== 'result' &&
    cardsIn(zone, place).length > 0 &&
    step.moves.some((m) => m.from === 'store' && m.to === zone && m.place === place) &&
    String(before[zone]?.[place] ?? '') !== String(cardsIn(zone, place));
  /** The ten that the next step swaps. */
  const stops = (zone: string, place: string): boolean =>
    step.kind === 'stop' && zone === 'joined' && place === step.place;

  /** The names of the rows stand at the left, in px. */
  const HEAD = 92;
  /** A lane is one digit wider than its cards: its ten. */
  const digits = $derived(places.reduce((n, p) => n + String(p.unit).length + 1, 0));
  /** Above the rows stand the names of the places, and 12 px between all. */
  const high = $derived(Math.min(116, (h - 104) / Math.max(2, rows.length) - 12));
  const cell = $derived(
    Math.max(
      13,
      Math.min(
        34,
        Math.floor(high / 1.75),
        Math.floor((w - HEAD - 72 - places.length * 8) / Math.max(1, digits)),
      ),
    ),
  );
</script>

<div
  class="mat kid"
  style:grid-template-columns="{HEAD}px {places
    .map((p) => `${(String(p.unit).length + 1) * cell}px`)
    .join(' ')}"
  style:grid-template-rows="44px repeat({rows.length}, {high}px)"
>
  <span></span>
  {#each places as p (p.id)}
    <span class="head" class:now={p.id === step.place} style:color="var(--{p.id}-ink)">
      <Mark place={p.id} />{cell * (String(p.unit).length + 1) > 108 ? p.many : p.unit}
    </span>
  {/each}
  {#each rows as row (row.zone)}
    <span class="name">{row.name}</span>
    {#if row.whole}
      <span class="whole"><Cards cards={row.whole} {cell} large={row.zone === 'result'} /></span>
    {:else}
      {#each places as p (p.id)}
        {@const cards = cardsIn(row.zone, p.id)}
        <span
          class="lane"
          class:now={p.id === step.place}
          class:ring={arrived(row.zone, p.id)}
          class:stop={stops(row.zone, p.id)}
          style:border-color={arrived(row.zone, p.id) || stops(row.zone, p.id)
            ? undefined
            : `var(--${p.id}-tint)`}
          role="img"
          aria-label="{row.name}: {cards.length ? cards.join(' and ') : 'no card'} in the {p.many}"
        >
          {#if cards.length}<Cards {cards} {cell} large={row.zone === 'result'} />{/if}
        </span>
      {/each}
    {/if}
  {/each}
</div>

<style>
  .mat {
    position: absolute;
    inset: 24px;
    display: grid;
    align-content: center;
    justify-content: center;
    column-gap: 8px;
    row-gap: 12px;
    background: var(--sheet);
    border: 1px solid var(--tray);
    border-radius: 12px;
  }
  .head {
    display: flex;
    align-items: center;
    justify-content: flex-end;
    gap: 4px;
    font-size: var(--t2);
  }
  .head.now {
    font-weight: 700;
  }
  .name {
    display: flex;
    align-items: center;
    padding-left: 12px;
    font-size: var(--t2);
    color: var(--ink-2);
  }
  .lane {
    display: flex;
    align-items: center;
    justify-content: flex-end;
    border: 1.5px solid;
    border-radius: var(--r2);
  }
  .lane.now {
    background: var(--paper);
  }
  .lane.ring {
    border: 3px solid var(--leaf);
  }
  .lane.stop {
    border: 3px dashed var(--leaf);
  }
  .whole {
    grid-column: 2 / -1;
    display: flex;
    align-items: center;
    justify-content: flex-end;
  }
</style>
