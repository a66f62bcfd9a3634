<script lang="ts">
  // Numbers below one another, place under place: what lies there with pieces, drawn or with
  // cards, or their figures. The place that is compared is marked; in the end they stand in
  // order.
  import Cards from '../../../lib/pieces/Cards.svelte';
  import Piece from '../../../lib/pieces/Piece.svelte';
  import { boxOf, handOf } from '../../../lib/pieces/units';
  import type { Lesson, NumberRow, One, Step } from '../../../lib/wire.gen';
  import { shared } from '../../../lib/state.svelte';

  let {
    lesson,
    one,
    steps,
    index,
    material,
    w,
    h,
  }: {
    lesson: Lesson;
    one: One;
    steps: Step[];
    index: number;
    material: string;
    w: number;
    h: number;
  } = $props();

  const current = $derived(steps[index]!);
  const laid = $derived(one.shown === 'pieces' || one.shown === 'drawn');
  const words = $derived(one.shown === 'word' || one.shown === 'said');
  const kind = $derived(
    one.shown === 'drawn' ? 'drawings' : material === 'drawings' ? 'beads' : material,
  );
  const done = $derived(current.kind === 'answer' || current.kind === 'in-order');
  const sorted = $derived(
    one.answered === 'order' && done ? one.rows.toSorted((a, b) => a.number - b.number) : one.rows,
  );
  /** The places of the longest, the highest first. */
  const places = $derived(
    one.rows
      .reduce(
        (longest, r) => (r.digits.length > longest.length ? r.digits : longest),
        one.rows[0]!.digits,
      )
      .map((d) => d.place),
  );
  const digit = (r: NumberRow, place: string): number | undefined =>
    r.digits.find((d) => d.place === place)?.digit;
  /** Places that were looked at so far; the last of them is marked. */
  const looked = $derived(
    steps
      .slice(0, index + 1)
      .filter((s) => s.kind === 'compare')
      .map((s) => s.place),
  );
  const now = $derived(looked.at(-1));
  const HEAD = 30;
  const SIGN = 54;
  const row = $derived(Math.min(190, (h - HEAD) / one.rows.length - 10));
  const column = $derived(Math.min(laid ? 260 : 110, (w - SIGN) / places.length));
  const size = $derived(Math.min(64, row * 0.62, column * 0.8));
  /** From piece to piece of one kind, in units: at most, and where there are many at least. */
  const WIDE: Record<string, number> = { ones: 1.35, tens: 1.5, hundreds: 2.4, thousands: 4.2 };
  const TIGHT: Record<string, number> = { ones: 1.35, tens: 1.25, hundreds: 1, thousands: 2 };
  /** What is drawn does not lie on one another. */
  const DRAWN: Record<string, number> = { ones: 1.5, tens: 1.5, hundreds: 5.8, thousands: 7.8 };
  const most = $derived(
    Object.fromEntries(
      places.map((p) => [p, Math.max(1, ...one.rows.map((r) => digit(r, p) ?? 0))]),
    ),
  );
  const tight = (place: string): number => (kind === 'drawings' ? DRAWN : TIGHT)[place]!;
  const wide = (place: string): number => (kind === 'drawings' ? DRAWN : WIDE)[place]!;
  const room = $derived(column - 26);
  const across = (place: string): number =>
    place === 'ones' ? Math.min(most[place]!, 5) : most[place]!;
  /** The largest unit with which the pieces of a place fit into a cell. */
  const fits = (place: string): number => {
    const box = boxOf(place, handOf(kind));
    const rows = place === 'ones' && most[place]! > 5 ? 2 : 1;
    return Math.min(
      room / (box.width + 1 + tight(place) * (across(place) - 1)),
      (row - 12) / ((box.height + 1.6) * rows),
    );
  };
  const LARGEST = 12;
  /** A bar is as long beside a square as it is: all have one unit, but loose ones may be larger. */
  const common = $derived(
    Math.min(LARGEST, ...places.filter((p) => p !== 'ones').map((p) => fits(p))),
  );
  const unit = (place: string): number =>
    place === 'ones' ? Math.min(fits(place), Math.max(1.6 * common, 11), 16) : common;
  const apart = (place: string): number => {
    const spare = room / unit(place) - boxOf(place, handOf(kind)).width - 1;
    return Math.max(tight(place), Math.min(wide(place), spare / Math.max(1, across(place) - 1)));
  };
  const name = (place: string): string =>
    shared.words.places.find((p) => p.id === place)?.many ?? place;
  /** The sign that is right, once the work is done. */
  const sign = $derived(
    one.answered === 'sign' && done
      ? one.keys.find((k) => k.given === lesson.link.sum.words)?.name
      : '',
  );
</script>

<div class="compared" style:width="{w}px" style:height="{h}px" data-one="rows">
  {#if words && !looked.length && !done}
    <div class="said kid">
      {#each one.rows as r (r.number)}<p>{r.word}</p>{/each}
    </div>
  {:else}
    <table class:cards={one.shown === 'cards'}>
      <thead>
        <tr>
          {#each places as p (p)}
            <th
              class:now={p === now && !done}
              style:width="{column}px"
              style:color="var(--{p}-ink)"
              scope="col">{column > 84 ? name(p) : ''}</th
            >
          {/each}
          <th class="sign"><span class="unseen">which is more</span></th>
        </tr>
      </thead>
      <tbody>
        {#each sorted as r, i (r.number)}
          <tr style:height="{row}px">
            {#if one.shown === 'cards' && !looked.length && !done}
              <td colspan={places.length} class="whole">
                <Cards cards={r.cards} cell={Math.min(size, column * 0.7)} large />
              </td>
            {:else}
              {#each places as p (p)}
                {@const d = digit(r, p)}
                <td
                  class:laid
                  class:now={p === now && !done}
                  class:past={looked.includes(p) && p !== now}
                  class:decides={p === now && done}
                  aria-label={d === undefined ? `no ${name(p)}` : `${d} ${name(p)}`}
                >
                  {#if laid}
                    {#if d && p === 'ones'}
                      <span class="ones">
                        {#each { length: Math.ceil(d / 5) }, k (k)}<Piece
                            material={kind}
                            place={p}
                            unit={unit(p)}
                            n={Math.min(5, d - 5 * k)}
                            dx={apart(p)}
                          />{/each}
                      </span>
                    {:else if d}
                      <Piece material={kind} place={p} unit={unit(p)} n={d} dx={apart(p)} />
                    {/if}
                  {:else if d !== undefined}
                    <span class="figure kid" style:font-size="{size}px" style:color="var(--{p}-ink)"
                      >{d}</span
                    >
                  {/if}
                </td>
              {/each}
            {/if}
            <td class="sign kid" class:wordy={(sign?.length ?? 0) > 1}
              >{#if i === 0}{sign}{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</div>

<style>
  .compared {
    display: grid;
    place-items: center;
    overflow: auto;
  }
  .said {
    display: grid;
    gap: 18px;
    font-size: 34px;
    text-align: center;
  }
  table {
    border-collapse: separate;
    border-spacing: 0 6px;
  }
  th {
    padding: 0 4px 2px;
    font: 400 var(--t3) var(--kid);
  }
  th.now {
    font-weight: 700;
  }
  td {
    padding: 4px;
    border: solid var(--tray);
    border-width: 1.5px 0;
    background: var(--sheet);
    text-align: center;
    vertical-align: middle;
  }
  td.laid {
    padding-left: 14px;
    text-align: left;
  }
  td:first-child {
    border-left-width: 1.5px;
    border-radius: 12px 0 0 12px;
  }
  td:nth-last-child(2) {
    border-right-width: 1.5px;
    border-radius: 0 12px 12px 0;
  }
  td.whole {
    border-radius: 12px;
    text-align: right;
  }
  td.now {
    background: var(--leaf-tint);
    box-shadow: inset 0 0 0 2px var(--leaf);
  }
  td.decides {
    box-shadow: inset 0 0 0 3px var(--leaf);
  }
  .figure {
    font-weight: 700;
    line-height: 1.1;
  }
  .ones {
    display: inline-flex;
    flex-direction: column;
    align-items: flex-start;
  }
  .sign,
  td.sign {
    width: 54px;
    border: none;
    background: none;
    color: var(--leaf);
    font-size: 44px;
    font-weight: 700;
  }
  td.wordy {
    font-size: 18px;
    line-height: 20px;
  }
</style>
