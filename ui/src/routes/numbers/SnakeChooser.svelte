<script lang="ts">
  // Snakes of bead bars: how many bars, what a ten may leave of a bar, the exact count, and
  // six of them.
  import Lying from '../../lib/bars/Lying.svelte';
  import SnakeRow from '../../lib/bars/SnakeRow.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Sides from '../../lib/parts/Sides.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import type { ChooseSnake, ChosenSnakes, Sum, Trouble } from '../../lib/wire.gen';
  import { along } from './hand';

  let {
    chosen,
    trouble,
    picked,
    onchoose,
    onpick,
    onredraw,
  }: {
    chosen: ChosenSnakes;
    trouble?: Trouble;
    picked?: Sum;
    onchoose: (change: Partial<ChooseSnake>) => void;
    onpick: (s: Sum) => void;
    onredraw: () => void;
  } = $props();

  const SIX = 6;
  const LANES = [1, 2, 3, 4, 5, 6, 7, 8];
  const ENDS = [
    { value: 'no', name: 'nothing' },
    { value: 'yes', name: 'some beads' },
    { value: 'any', name: 'either' },
  ];
  const ask = $derived(chosen.choice);
  const wish = (n: number): string => ask.left[String(n)] ?? 'any';
  const NEXT: Record<string, string> = { no: 'any', any: 'yes', yes: 'no' };
  const SAYS: Record<string, string> = { no: 'never', any: 'may be', yes: 'comes up' };
  export function turn(n: number): void {
    const next = NEXT[wish(n)]!;
    const left = { ...ask.left };
    if (next === 'any') delete left[String(n)];
    else left[String(n)] = next;
    onchoose({ left });
  }
  const cuts = $derived([
    { id: 'no', name: 'never', fits: chosen.never },
    { id: 'yes', name: 'at least once', fits: chosen.once },
    { id: 'any', name: 'either', fits: chosen.either },
  ]);
  const said = (fits: string): string => BigInt(fits).toLocaleString('en');
  let group = $state<HTMLElement>();
  const at = $derived(chosen.snakes.findIndex((p) => p.text === picked?.text));
  const arrows = (event: KeyboardEvent): void => along(event, group!, chosen.snakes, at, onpick);
  let wide = $state(600);
</script>

<div class="top">
  <div class="plan">
    <div class="bars">
      <button
        class="step"
        aria-label="one bar fewer"
        disabled={ask.bars <= 1}
        onclick={() => onchoose({ bars: ask.bars - 1 })}>−</button
      >
      <b class="kid" data-bars={ask.bars}>{ask.bars}</b>
      <button
        class="step"
        aria-label="one bar more"
        disabled={ask.bars >= chosen.most}
        onclick={() => onchoose({ bars: ask.bars + 1 })}>+</button
      >
      <span>{ask.bars === 1 ? 'bar' : 'bars'} in a snake</span>
      <span class="small owned">{chosen.stairsSay}</span>
    </div>
    <h2 id="left">What is left of a bar that a ten cuts</h2>
    <div class="lanes" role="group" aria-labelledby="left">
      {#each LANES as n (n)}
        <button
          class="lane {wish(n)}"
          aria-label="{n} left: {SAYS[wish(n)]}"
          disabled={!chosen.remainders}
          onclick={() => turn(n)}
        >
          <Lying {n} kind="remainder" u={9} upright cased={false} />
          <span class="kid ball">{n}</span>
        </button>
      {/each}
    </div>
    <p class="small">
      {#if chosen.remainders}
        <b>ringed</b> comes up · <b>dotted</b> may · <b>crossed</b> never. Touch turns it.
      {:else}We own no remainder bars (Settings): every ten ends at a bar’s end.{/if}
    </p>
    <div class="after">
      <h2 id="after">After the last ten</h2>
      <Sides labelledby="after" sides={ENDS} now={ask.end} onset={(end) => onchoose({ end })} />
    </div>
  </div>
  <div class="count">
    <p class="fits kid" data-fits={chosen.fits} class:none={chosen.fits === '0'}>
      {said(chosen.fits)}
    </p>
    <p>{chosen.fits === '1' ? 'snake fits' : 'snakes fit'}</p>
    <h2 id="cut">A ten cuts a bar</h2>
    <div role="radiogroup" aria-labelledby="cut">
      {#each cuts as c (c.id)}
        <button
          role="radio"
          aria-checked={ask.cut === c.id}
          disabled={!chosen.remainders && c.id !== 'no'}
          onclick={() => onchoose({ cut: c.id })}
          ><span>{c.name}</span><span class="kid" class:none={c.fits === '0'}>{said(c.fits)}</span
          ></button
        >
      {/each}
    </div>
    {#if chosen.neverWhy}<p class="small">{chosen.neverWhy}</p>{/if}
  </div>
</div>
<div class="bar">
  <h2 class="six">
    {chosen.snakes.length === SIX
      ? 'Six of them'
      : chosen.snakes.length
        ? 'All of them'
        : 'None of them'}
  </h2>
  <Plain disabled={BigInt(chosen.fits) <= SIX} onclick={onredraw}>Draw six more</Plain>
</div>
{#if trouble}<Wrong {trouble} />{/if}
{#if chosen.fits === '0'}
  <div class="clash">
    <p>There is no such snake.</p>
    {#each chosen.mends.slice(0, 4) as m (m.says)}
      <Plain onclick={() => onchoose(m.choice)}
        >{m.says} <span class="kid">{said(m.fits)} fit</span></Plain
      >
    {/each}
  </div>
{:else if !chosen.snakes.length}
  <p>All of these were laid lately.</p>
{/if}
<div
  class="hand"
  role="radiogroup"
  aria-label="Snakes to choose from"
  data-hand
  bind:this={group}
  bind:clientWidth={wide}
>
  {#each chosen.snakes as sum, i (sum.text)}
    <button
      role="radio"
      aria-checked={i === at}
      tabindex={i === Math.max(at, 0) ? 0 : -1}
      aria-label="snake {sum.text}, {sum.answer} beads"
      onclick={() => onpick(sum)}
      onkeydown={arrows}
    >
      <SnakeRow snake={sum.snake!} width={wide - 84} />
      <b class="kid">{sum.answer}</b>
    </button>
  {/each}
</div>

<style>
  .top {
    display: flex;
    justify-content: space-between;
    gap: var(--s4);
  }
  .bars {
    display: flex;
    align-items: center;
    gap: 8px;
  }
  .bars b {
    min-width: 38px;
    text-align: center;
    font-size: var(--t4);
  }
  .owned {
    max-width: 190px;
    margin-left: 12px;
    line-height: 18px;
  }
  .step {
    width: 44px;
    height: 44px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font-size: 22px;
    text-align: center;
  }
  .step:disabled {
    opacity: 0.4;
  }
  h2 {
    margin: 8px 0 3px;
  }
  .lanes {
    display: flex;
    gap: 2px;
  }
  .lane {
    position: relative;
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: flex-end;
    gap: 4px;
    width: 56px;
    height: 128px;
    padding-bottom: 4px;
    border-radius: var(--r2);
    background: var(--paper-2);
  }
  .lane.yes {
    background: var(--leaf-tint);
    box-shadow: inset 0 -3px 0 var(--leaf);
  }
  .lane.no {
    background: none;
  }
  .lane.no :global(svg) {
    opacity: 0.35;
  }
  .ball {
    position: relative;
    display: grid;
    place-items: center;
    width: 36px;
    height: 36px;
    border: 1.6px dotted var(--ink-2);
    border-radius: 50%;
    font-size: 23px;
  }
  .yes .ball {
    border: 3px solid var(--ink);
    font-weight: 700;
  }
  .no .ball {
    border-color: var(--none);
    color: var(--ink-2);
  }
  .no .ball::after {
    content: '';
    position: absolute;
    width: 40px;
    height: 2.4px;
    background: var(--ink-2);
    transform: rotate(-40deg);
  }
  .after {
    display: flex;
    align-items: center;
    gap: 12px;
    margin-top: 4px;
  }
  .count {
    flex: none;
    width: 216px;
  }
  .fits {
    font-size: var(--t4);
    font-weight: 700;
    line-height: 40px;
  }
  .none {
    color: var(--clay-ink);
  }
  [aria-labelledby='cut'] button {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 8px;
    width: 100%;
    min-height: 44px;
    padding: 0 8px;
    border: 1.5px solid var(--none);
    border-radius: var(--r2);
    font-size: 15px;
  }
  [aria-labelledby='cut'] button[aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 650;
  }
  [aria-labelledby='cut'] button:disabled {
    opacity: 0.5;
  }
  .bar {
    display: flex;
    align-items: center;
    justify-content: space-between;
    margin: 6px 0 2px;
  }
  .six {
    margin: 0;
    border-bottom: 3px solid var(--leaf);
    font-size: var(--t3);
    font-weight: 650;
    line-height: 38px;
    color: var(--ink);
  }
  .clash {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--s2);
    padding: var(--s2) 0;
  }
  .clash p {
    width: 100%;
    font-size: var(--t3);
  }
  .hand {
    flex: 1;
    min-height: 0;
    overflow-y: auto;
  }
  .hand button {
    display: flex;
    align-items: center;
    justify-content: space-between;
    width: 100%;
    min-height: 52px;
    padding: 2px 12px 2px 4px;
    border: 2.5px solid var(--none);
    border-bottom-color: var(--line);
    border-radius: var(--r2);
  }
  .hand button[aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--sheet);
  }
  .hand b {
    font-size: 26px;
  }
  @media (max-width: 1100px) {
    .top {
      flex-wrap: wrap;
      gap: 4px 16px;
    }
    .count {
      width: 100%;
    }
    .count > :global(*) {
      display: inline-block;
    }
    [aria-labelledby='cut'] {
      display: flex !important;
    }
  }
  @media (max-width: 700px) {
    .lanes {
      flex-wrap: wrap;
    }
    .hand {
      overflow: visible;
    }
    .bars,
    .after {
      flex-wrap: wrap;
    }
  }
</style>
