<script lang="ts">
  // Which numbers, shown as, answered as: three rows of toggles, the exact count, and a hand
  // of twelve questions.
  import Asked from '../../lib/ones/Asked.svelte';
  import Glance from '../../lib/ones/Glance.svelte';
  import ThingDefs from '../../lib/ones/ThingDefs.svelte';
  import Twist from '../../lib/ones/Twist.svelte';
  import Sides from '../../lib/parts/Sides.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import type { ChooseOne, ChosenOne, Sum, Trouble } from '../../lib/wire.gen';
  import { along } from './hand';

  let {
    chosen,
    trouble,
    picked,
    material,
    onchoose,
    onpick,
    onredraw,
  }: {
    chosen: ChosenOne;
    trouble?: Trouble;
    picked?: Sum;
    material: string;
    onchoose: (change: Partial<ChooseOne>) => void;
    onpick: (s: Sum) => void;
    onredraw: () => void;
  } = $props();

  const TWELVE = 12;
  /** More numbers than these are chosen by tens. */
  const SINGLE = 11;
  const many = $derived(chosen.numbers.length > SINGLE);
  const decades = $derived.by(() => {
    const all: Record<string, { name: string; ids: number[]; on: boolean }> = {};
    for (const n of chosen.numbers) {
      const ten = n.id.length > 1 ? `${n.id[0]}0` : '0';
      const d = (all[ten] ??= { name: `${ten}–${n.id}`, ids: [], on: false });
      d.name = `${d.ids[0] ?? n.id}–${n.id}`;
      d.ids.push(Number(n.id));
      d.on ||= n.on;
    }
    return Object.values(all);
  });
  /** The last of a row stays: nothing would be left to ask. */
  function turn<T>(now: T[], one: T[]): T[] | undefined {
    const off = one.every((x) => now.includes(x));
    const next = off ? now.filter((x) => !one.includes(x)) : [...now, ...one];
    return next.length ? next : undefined;
  }
  const numbers = (ids: number[]): void => {
    const next = turn(chosen.choice.numbers ?? [], ids);
    if (next) onchoose({ numbers: next.sort((a, b) => a - b) });
  };
  const digits = (d: number): void => {
    const next = turn(chosen.choice.digits ?? [], [d]);
    if (next) onchoose({ digits: next.sort((a, b) => a - b) });
  };
  const swaps = (id: string): void => {
    const next = turn(chosen.choice.swaps ?? [], [id]);
    if (next) onchoose({ swaps: next });
  };
  const howMany = (n: number): void => {
    const next = turn(chosen.choice.many ?? [], [n]);
    if (next) onchoose({ many: next.sort((a, b) => a - b) });
  };
  const differ = (id: string): void => {
    const next = turn(chosen.choice.differ ?? [], [id]);
    if (next) onchoose({ differ: next });
  };
  const left = $derived(BigInt(chosen.left));
  const shown = (id: string): void => {
    const next = turn(chosen.choice.shown ?? [], [id]);
    if (next) onchoose({ shown: next });
  };
  const answered = (id: string): void => {
    const next = turn(chosen.choice.answered ?? [], [id]);
    if (next) onchoose({ answered: next });
  };
  /** Whether a way of showing has a way of answering that was chosen, and the other way. */
  const used = (id: string): boolean =>
    chosen.ways.some((w) => w.shown === id || w.answered === id);

  let group = $state<HTMLElement>();
  const at = $derived(chosen.problems.findIndex((p) => p.text === picked?.text));
  const arrows = (event: KeyboardEvent): void => along(event, group!, chosen.problems, at, onpick);
</script>

<ThingDefs />
<div class="rows">
  <div class="beside">
    <div>
      <h2 id="which">Which numbers</h2>
      <div class="row numbers" role="group" aria-labelledby="which">
        {#if chosen.digits.length}
          {#each chosen.digits as d (d.id)}
            <button aria-pressed={d.on} onclick={() => digits(Number(d.id))}>{d.name}</button>
          {/each}
          {#if chosen.zeros.length > 1}
            <Sides
              label="Zeros in the numbers"
              sides={chosen.zeros.map((z) => ({ value: z.id, name: z.name }))}
              now={chosen.choice.zeros ?? ''}
              onset={(zeros) => onchoose({ zeros })}
            />
          {:else}<span class="fixed">{chosen.zeros[0]?.name}</span>{/if}
        {:else if many}
          {#each decades as d (d.name)}
            <button class="kid" aria-pressed={d.on} onclick={() => numbers(d.ids)}>{d.name}</button>
          {/each}
        {:else}
          {#each chosen.numbers as n (n.id)}
            <button class="kid number" aria-pressed={n.on} onclick={() => numbers([Number(n.id)])}
              >{n.name}{#if n.cord}<Twist cord={n.cord} width={30} />{/if}</button
            >
          {/each}
        {/if}
      </div>
    </div>
    {#if chosen.swaps.length}
      <div>
        <h2 id="swaps">From the usual way</h2>
        <div class="row" role="group" aria-labelledby="swaps">
          {#each chosen.swaps as s (s.id)}
            <button aria-pressed={s.on} onclick={() => swaps(s.id)}>{s.name}</button>
          {/each}
        </div>
      </div>
    {/if}
    {#if chosen.many.length}
      <div>
        <h2 id="many">How many of them</h2>
        <div class="row" role="group" aria-labelledby="many">
          {#each chosen.many as m (m.id)}
            <button aria-pressed={m.on} onclick={() => howMany(Number(m.id))}>{m.name}</button>
          {/each}
        </div>
      </div>
      <div>
        <h2 id="differ">They differ first in</h2>
        <div class="row" role="group" aria-labelledby="differ">
          {#each chosen.differ as d (d.id)}
            <button aria-pressed={d.on} onclick={() => differ(d.id)}>{d.name}</button>
          {/each}
        </div>
      </div>
    {/if}
  </div>
  <h2 id="shown">Shown as</h2>
  <div class="row" role="group" aria-labelledby="shown">
    {#each chosen.shown as s (s.id)}
      <button aria-pressed={s.on} class:idle={s.on && !used(s.id)} onclick={() => shown(s.id)}
        >{s.name}</button
      >
    {/each}
  </div>
  <h2 id="answered">Answered as</h2>
  <div class="row" role="group" aria-labelledby="answered">
    {#each chosen.answered as a (a.id)}
      <button
        class="sign"
        aria-pressed={a.on}
        class:idle={a.on && !used(a.id)}
        onclick={() => answered(a.id)}><Asked answered={a.id} size={26} />{a.name}</button
      >
    {/each}
  </div>
</div>
<div class="bar">
  <p
    class="fits kid"
    data-fits={chosen.fits}
    class:none={left === 0n}
    class:long={chosen.left.length > 8}
    class:longest={chosen.left.length > 12}
  >
    {left.toLocaleString('en')}
  </p>
  <p class="label">
    {left === 1n ? 'question fits' : 'questions fit'}, {chosen.problems.length === TWELVE
      ? 'twelve of them'
      : chosen.problems.length
        ? 'all of them'
        : 'none of them'} here<br />
    <span class="small">{chosen.says}{chosen.lately ? `; ${chosen.lately}` : ''}</span>
  </p>
  {#if chosen.lately}
    <Plain onclick={() => onchoose({ days: 0 })}>Ask them again</Plain>
  {/if}
  <Plain disabled={left <= TWELVE} onclick={onredraw}>Draw twelve more</Plain>
</div>
{#if trouble}<Wrong {trouble} />{/if}
{#if chosen.fits === '0'}
  <p class="nothing">
    No number is shown and answered like this. Touch another way of showing or answering.
  </p>
{:else if left === 0n}
  <p class="nothing">All of these were asked lately.</p>
{/if}
<div
  class="hand"
  role="radiogroup"
  aria-label="Questions to choose from"
  data-hand
  bind:this={group}
>
  {#each chosen.problems as sum, i (sum.text)}
    {@const one = sum.one}
    {#if one}
      <button
        role="radio"
        aria-checked={i === at}
        tabindex={i === Math.max(at, 0) ? 0 : -1}
        aria-label={sum.said}
        onclick={() => onpick(sum)}
        onkeydown={arrows}
      >
        <span class="question">
          <span class="given"><Glance {one} {material} /></span>
          <span class="arrow" aria-hidden="true">→</span>
          <span class="slot"><Asked answered={one.answered} size={32} /></span>
        </span>
        <span class="small">{one.shownName}, {one.answeredName}</span>
      </button>
    {/if}
  {/each}
</div>

<style>
  h2 {
    margin: 2px 0;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 5px;
  }
  .row button {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    min-width: 44px;
    min-height: 44px;
    padding: 0 7px;
    border: 1.5px solid var(--line);
    border-radius: var(--r2);
    text-align: center;
    line-height: 16px;
    font-size: 15px;
  }
  .row button:hover {
    border-color: var(--edge);
  }
  .row button[aria-pressed='true'] {
    border-color: var(--leaf);
    border-bottom-width: 4px;
    background: var(--leaf-tint);
    font-weight: 650;
  }
  .row button.idle {
    border-style: dashed;
  }
  .row .number {
    font-size: 22px;
    line-height: 26px;
    padding: 0 6px;
  }
  .beside {
    display: flex;
    flex-wrap: wrap;
    gap: 0 24px;
  }
  .fits.long {
    font-size: var(--t4);
    line-height: 30px;
  }
  .fits.longest {
    font-size: var(--t3);
    line-height: 24px;
  }
  .fixed {
    align-self: center;
    padding: 0 6px;
    color: var(--ink-2);
  }
  .row .sign {
    flex-direction: row;
    gap: 5px;
  }
  .fits {
    font-size: var(--t5);
    font-weight: 700;
    line-height: 48px;
  }
  .label {
    flex: 1;
    line-height: 18px;
  }
  .fits.none {
    color: var(--clay-ink);
  }
  .bar {
    display: flex;
    align-items: center;
    gap: 12px;
    margin: 8px 0 4px;
  }
  .nothing {
    margin: 8px 0;
  }
  .hand {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: repeat(4, minmax(0, 1fr));
    grid-template-rows: repeat(3, minmax(min-content, 1fr));
    gap: 4px 8px;
    overflow-y: auto;
  }
  .hand button {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 6px;
    min-height: 84px;
    padding: 4px;
    border: 2.5px solid var(--none);
    border-radius: var(--r2);
  }
  .hand button:hover {
    border-color: var(--line);
  }
  .hand button[aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--sheet);
  }
  .question {
    display: flex;
    align-items: center;
    gap: 5px;
  }
  .given {
    display: flex;
    justify-content: center;
    min-width: 64px;
  }
  .arrow {
    color: var(--ink-2);
  }
  .slot {
    display: grid;
    place-items: center;
    width: 44px;
    height: 44px;
    border: 2px dashed var(--gap);
    border-radius: var(--r2);
  }
  @media (max-width: 1100px) {
    .hand {
      grid-template-columns: repeat(3, minmax(0, 1fr));
      grid-template-rows: none;
      grid-auto-rows: minmax(min-content, auto);
    }
  }
  @media (max-width: 700px) {
    .hand {
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      overflow: visible;
    }
    .bar {
      flex-wrap: wrap;
      gap: 6px;
    }
  }
</style>
