<script lang="ts">
  // The store on its shelf boards: what a swap is made with. The board that
  // something is fetched from, or given back to, is lit.
  import Piece from '../../lib/pieces/Piece.svelte';
  import Cards from '../../lib/pieces/Cards.svelte';
  import { cross, loop } from '../../lib/pieces/drawn';
  import { handOf, PIECES } from '../../lib/pieces/units';
  import type { Step, Words } from '../../lib/wire.gen';

  let {
    words,
    material,
    alone,
    step,
    next,
    onmaterial,
    may,
  }: {
    words: Words;
    material: string;
    alone: boolean; // cards do the work alone
    step: Step;
    next?: Step;
    onmaterial: (id: string) => void;
    may: boolean;
  } = $props();

  const names = $derived(words.materials.find((m) => m.id === material)?.pieces ?? []);
  /** What the swap that is under way moves at the store. */
  const moving = $derived(
    step.kind === 'stop'
      ? (next?.moves ?? [])
      : step.kind === 'swap' || step.kind === 'swap-down'
        ? step.moves
        : [],
  );
  const down = $derived(step.kind === 'swap-down');
  const out = (place: string): boolean =>
    moving.some((m) => m.from === 'store' && m.place === place);
  const back = (place: string): boolean =>
    (step.kind === 'swap' || step.kind === 'swap-down') &&
    moving.some((m) => m.to === 'store' && m.place === place);
  const BOARD: Record<string, { unit: number; n: number; dx: number; step: number }> = {
    thousands: { unit: 4, n: 2, dx: 9, step: 0 },
    hundreds: { unit: 4.2, n: 5, dx: 3, step: 0.5 },
    tens: { unit: 4.6, n: 10, dx: 2.3, step: 0 },
    ones: { unit: 8, n: 10, dx: 1.35, step: 0 },
  };
</script>

{#if alone}
  <h1>Cards only</h1>
  <p class="small">
    There is no piece larger than the thousand cube: cards and the column do the work.
  </p>
  <p class="cards"><Cards cards={[40, 2]} cell={17} /><Cards cards={[40, 2]} cell={21} large /></p>
{:else if handOf(material) === 'drawn'}
  <h1>Drawn</h1>
  <ul class="signs">
    {#each [...PIECES].reverse() as place (place)}
      <li class:lit={out(place)}>
        <span class="sign"><Piece {material} {place} unit={6} /></span>
        <span>{names[PIECES.indexOf(place)]?.one}</span>
        <b class="kid" style:color="var(--{place}-ink)"
          >{words.places.find((p) => p.id === place)?.unit}</b
        >
      </li>
    {/each}
    <li class:lit={step.kind === 'stop' || step.kind === 'swap'}>
      <span class="sign">
        <svg width="44" height="30" viewBox="-3 -3 44 30" aria-hidden="true">
          <path class="ring" d={loop(38, 24, 1.4, 5)} />
          {#each { length: 10 }, i (i)}
            <circle cx={6 + (i % 5) * 6.5} cy={8 + Math.floor(i / 5) * 8} r="1.9" />
          {/each}
        </svg>
      </span>
      <span>ten, ringed</span>
    </li>
    <li class:lit={step.kind === 'take-away' || step.kind === 'deal' || step.kind === 'take-group'}>
      <span class="sign">
        <svg width="34" height="34" viewBox="-2 -.5 5 6" aria-hidden="true">
          <use href="#drawings-tens-0" />
          <path class="cross" d={cross(1, 5, 3)} />
        </svg>
      </span>
      <span>taken away</span>
    </li>
    <li class:lit={down}>
      <span class="sign">
        <svg width="34" height="34" viewBox="-2 -.5 5 6" aria-hidden="true">
          <use href="#drawings-tens-1" />
          <path class="cross given" d={cross(1, 5, 3, true)} />
        </svg>
      </span>
      <span>{words.swapped}</span>
    </li>
  </ul>
{:else}
  <h1>{words.bank.charAt(0).toUpperCase() + words.bank.slice(1)}</h1>
  <ul class="boards">
    {#each [...PIECES].reverse() as place (place)}
      {@const b = BOARD[place]!}
      <li class:lit={out(place) || back(place)} class={place}>
        <Piece {material} {place} unit={b.unit} n={b.n} dx={b.dx} step={b.step} />
        <span class="board"></span>
        <span class="name small">
          {names[PIECES.indexOf(place)]?.many}
          <b
            >{out(place)
              ? down
                ? 'ten are out'
                : 'one is out'
              : back(place)
                ? down
                  ? 'one came back'
                  : 'ten came back'
                : ''}</b
          >
        </span>
      </li>
    {/each}
  </ul>
  <h2>Small cards, large cards</h2>
  <p class="cards"><Cards cards={[40, 2]} cell={17} /><Cards cards={[40, 2]} cell={21} large /></p>
{/if}
{#if !alone}<div class="materials" role="radiogroup" aria-label="Material">
    {#each words.materials as m (m.id)}
      <button
        role="radio"
        aria-checked={m.id === material}
        disabled={!may}
        onclick={() => onmaterial(m.id)}
      >
        <Piece material={m.id} place="tens" unit={m.id === 'drawings' ? 5 : 2.6} />
        {m.name}
      </button>
    {/each}
  </div>{/if}

<style>
  .boards {
    margin: 4px -16px 0 -20px;
  }
  li {
    position: relative;
    display: flex;
    flex-direction: column;
    justify-content: flex-end;
    padding: 4px 16px 4px 20px;
    border-left: 4px solid var(--none);
  }
  li.lit {
    background: var(--sheet);
    border-color: var(--leaf);
  }
  .signs li {
    flex-direction: row;
    align-items: center;
    justify-content: flex-start;
    gap: var(--s2);
    min-height: 52px;
    margin: 0 -16px 0 -20px;
    border-bottom: 1px solid var(--line);
  }
  .sign {
    width: 48px;
    display: grid;
    place-items: center;
  }
  .signs b {
    margin-left: auto;
  }
  .ring,
  .cross {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 2;
    stroke-linecap: round;
  }
  .cross {
    stroke: var(--clay);
    stroke-width: 0.42;
  }
  .cross.given {
    stroke: var(--leaf);
  }
  .board {
    height: 2.5px;
    background: var(--edge);
    margin-top: 2px;
  }
  .name {
    display: flex;
    justify-content: space-between;
    line-height: 22px;
    white-space: nowrap;
  }
  .name b {
    color: var(--leaf);
    font-weight: 650;
  }
  h2 {
    margin-top: var(--s2);
  }
  .cards {
    display: flex;
    align-items: flex-end;
    gap: var(--s4);
    margin-top: 6px;
  }
  .materials {
    display: grid;
    grid-template-columns: repeat(3, auto);
    margin: auto -10px 0;
    font-size: var(--t1);
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    overflow: hidden;
    flex: none;
  }
  .materials button {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 2px;
    min-height: 60px;
    background: var(--paper);
  }
  .materials button + button {
    border-left: 1.5px solid var(--edge);
  }
  .materials button[aria-checked='true'] {
    background: var(--sheet);
    box-shadow: inset 0 -4px 0 var(--leaf);
    font-weight: 650;
  }
  .materials button:focus-visible {
    outline-offset: -4px;
  }
  @media (max-height: 740px) {
    .cards,
    h2 {
      display: none;
    }
  }
  @media (max-width: 900px) {
    .boards {
      display: grid;
      grid-template-columns: repeat(4, 1fr);
      gap: var(--s2);
      margin: 4px 0 0;
    }
    li {
      padding: 4px 8px;
      border-left: 0;
      border-bottom: 4px solid var(--none);
    }
    h2,
    .cards {
      display: none;
    }
    .signs {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 0 var(--s3);
    }
    .signs li {
      margin: 0;
      min-height: 46px;
      padding: 0 8px;
    }
    .materials {
      width: 260px;
      margin: var(--s3) 0 0;
      align-self: flex-end;
    }
    li.thousands :global(svg),
    li.hundreds :global(svg) {
      max-width: 100%;
    }
  }
</style>
