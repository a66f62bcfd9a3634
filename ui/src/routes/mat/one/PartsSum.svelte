<script lang="ts">
  // Two numbers added in their parts: the parts of each place below one another, their sums
  // under the line, and what ten of a place make one more of.
  import type { One, Step } from '../../../lib/wire.gen';
  import { cardHeight } from '../../../lib/pieces/Cards.svelte';
  import Cards from '../../../lib/pieces/Cards.svelte';
  import { shared } from '../../../lib/state.svelte';

  let {
    one,
    steps,
    index,
    w,
    h,
  }: { one: One; steps: Step[]; index: number; w: number; h: number } = $props();

  const step = $derived(steps[index]!);
  const units = $derived(one.shown === 'units');
  const places = $derived(
    (one.rows[0]!.digits.length > one.rows[1]!.digits.length
      ? one.rows[0]!
      : one.rows[1]!
    ).digits.map((d) => d.place),
  );
  const UNIT: Record<string, number> = { ones: 1, tens: 10, hundreds: 100, thousands: 1000 };
  const digitOf = (r: number, place: string): number =>
    one.rows[r]!.digits.find((d) => d.place === place)?.digit ?? 0;
  /** The sums that were made, each from its own step. */
  const made = $derived(
    Object.fromEntries(
      steps
        .slice(0, index + 1)
        .filter((s) => s.kind === 'together')
        .map((s) => [s.place!, s.count]),
    ) as Record<string, number>,
  );
  const more = $derived(steps.slice(0, index + 1).filter((s) => s.kind === 'carry-up'));
  const parts = $derived(more.at(-1)?.cards ?? []);
  const done = $derived(step.kind === 'answer');
  const column = $derived(Math.min(200, (w - 60) / places.length));
  const size = $derived(Math.min(46, column / (units ? 5 : 3.4), h / 9));
  const name = (place: string, n: number): string => {
    const p = shared.words.places.find((x) => x.id === place);
    return (n === 1 ? p?.one : p?.many) ?? place;
  };
  const says = (place: string, n: number): string =>
    units ? `${n} ${name(place, n)}` : String(n * UNIT[place]!);
</script>

<div
  class="sum kid"
  style:width="{w}px"
  style:height="{h}px"
  style:font-size="{size}px"
  data-one="sum"
>
  <table>
    <tbody>
      {#each one.rows, i (i)}
        <tr>
          <td class="plus">{i > 0 ? '+' : ''}</td>
          {#each places as p, k (p)}
            <td
              style:width="{column}px"
              style:color="var(--{p}-ink)"
              class:now={step.kind === 'together' && step.place === p}
            >
              {#if digitOf(i, p)}
                {#if units}{says(p, digitOf(i, p))}
                {:else}<Cards cards={[digitOf(i, p) * UNIT[p]!]} cell={size * 0.72} />{/if}
                {#if k < places.length - 1 && !units}<span class="and">+</span>{/if}
              {:else}<span class="none" style:height="{cardHeight(size * 0.72, false)}px"
                ></span>{/if}
            </td>
          {/each}
        </tr>
      {/each}
      <tr class="sums">
        <td class="plus">=</td>
        {#each places as p, k (p)}
          <td
            style:color="var(--{p}-ink)"
            class:now={step.kind === 'together' && step.place === p}
            class:ten={(made[p] ?? 0) >= 10}
          >
            {#if made[p] !== undefined}<b>{says(p, made[p])}</b
              >{#if k < places.length - 1 && !units}<span class="and">+</span>{/if}
            {:else}<span class="slot"></span>{/if}
          </td>
        {/each}
      </tr>
    </tbody>
  </table>
  {#if more.length || done}
    <p class="then">
      {#if more.length && !units}= {parts.join(' + ')}{/if}
      {#if done}= <b>{one.number}</b>{/if}
    </p>
  {/if}
</div>

<style>
  .sum {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 14px;
    overflow: auto;
  }
  table {
    border-collapse: separate;
    border-spacing: 0 8px;
  }
  td {
    padding: 6px 4px;
    border-radius: var(--r2);
    text-align: center;
    white-space: nowrap;
    vertical-align: middle;
  }
  td.now {
    background: var(--leaf-tint);
  }
  .plus,
  .and {
    color: var(--ink-2);
  }
  .and {
    margin-left: 0.3em;
  }
  .sums td {
    border-top: 2px solid var(--ink);
    border-radius: 0;
  }
  .sums td {
    padding-top: 12px;
  }
  .sums td.ten b {
    padding: 0 0.2em;
    outline: 2px dashed var(--leaf);
    border-radius: var(--r2);
  }
  .slot {
    display: inline-block;
    width: 2.4em;
    height: 1.3em;
    border: 2px dashed var(--gap);
    border-radius: var(--r2);
  }
  .none {
    display: inline-block;
  }
  .then {
    min-height: 1.4em;
    margin: 0;
  }
</style>
