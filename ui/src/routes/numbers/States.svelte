<script lang="ts">
  // The exact count, and how many fit with the knot in hand tied each way.
  import { knot as tie, opening, reach, type State, type Stroke } from '../../lib/pieces/cord';
  import Strands from '../../lib/pieces/Strands.svelte';
  import type { Chosen, Words } from '../../lib/wire.gen';

  let {
    chosen,
    kind,
    words,
    hand,
    ontie,
  }: {
    chosen: Chosen;
    kind: string;
    words: Words;
    hand: string;
    ontie: (place: string, state: string) => void;
  } = $props();

  const knot = $derived(chosen.knots.find((k) => k.place === hand) ?? chosen.knots[0]);
  const down = $derived(kind === 'difference' || kind === 'share');
  const COLORS = ['ones', 'tens', 'hundreds', 'thousands', 'ten-thousands'];
  const color = (i: number): string => COLORS[Math.max(0, Math.min(i, 4))]!;
  const at = $derived(words.places.findIndex((p) => p.id === knot?.place));
  /** The places left and right of the knot: sharing ties it from the place above. */
  const left = $derived(color(kind === 'share' ? at : at + 1));
  const right = $derived(color(kind === 'share' ? at - 1 : at));
  const SUPER = '⁰¹²³⁴⁵⁶⁷⁸⁹';
  const LONG = 12;
  /** A count in groups of three; a very long one by its size. */
  function grouped(n: string): string {
    if (n.length <= LONG) return BigInt(n).toLocaleString('en');
    const power = [...String(n.length - 1)].map((d) => SUPER[Number(d)]).join('');
    return `${n[0]}.${n[1]} × 10${power}`;
  }
  /** A knot with a little of both its cords. */
  const withEnds = (state: State): Stroke[] => {
    const r = reach(state, 0.72);
    const end = (d: string, place: string): Stroke => ({ d, place, width: 3 });
    const draw = down ? opening : tie;
    return [
      end(`M-22 0H${down && state !== 'no' ? -7 : -r}`, left),
      end(`M${down && state !== 'no' ? 10 : r} 0H22`, right),
      ...draw(0, 0, state, left, right, 0.72),
    ];
  };
  const rows = $derived([
    { state: 'no' as State, name: words.noSwap },
    { state: 'yes' as State, name: words.aSwap },
    { state: 'any' as State, name: 'either' },
  ]);
</script>

<div class="count">
  <p
    class="fits kid"
    class:long={chosen.fits.length > 6}
    class:longer={chosen.fits.length > 9}
    title={chosen.fits}
    class:none={chosen.fits === '0'}
    data-fits={chosen.fits}
  >
    {grouped(chosen.fits)}
  </p>
  <p class="label">{chosen.fits === '1' ? 'problem fits' : 'problems fit'}</p>
  {#if chosen.leftOut}<p class="small">{chosen.leftOut}</p>{/if}
  {#if knot}<h2 id="knot-in-hand">{knot.name}</h2>{/if}
</div>
{#if knot}
  <div role="radiogroup" aria-labelledby="knot-in-hand">
    {#each rows as row (row.state)}
      <button
        role="radio"
        aria-checked={knot.tied === row.state}
        onclick={() => ontie(knot.place, row.state)}
      >
        <svg width="46" height="22" viewBox="-23 -11 46 22" aria-hidden="true">
          <Strands
            strokes={withEnds(row.state)}
            ground={knot.tied === row.state ? 'var(--leaf-tint)' : 'var(--paper)'}
          />
        </svg>
        <span>{row.name}</span>
        <span
          class="n kid"
          class:long={chosen.fits.length > 7}
          class:none={knot.counts[row.state] === '0'}
        >
          {grouped(knot.counts[row.state] ?? '0')}
        </span>
      </button>
    {/each}
  </div>
{/if}

<style>
  .fits {
    font-size: var(--t5);
    font-weight: 700;
    line-height: 48px;
    letter-spacing: -0.02em;
  }
  .fits.long {
    font-size: 32px;
  }
  .fits.longer {
    font-size: 25px;
  }
  .fits.none,
  .n.none {
    color: var(--clay-ink);
  }
  .label {
    line-height: 20px;
  }
  h2 {
    margin-top: 4px;
  }
  button {
    display: grid;
    grid-template-columns: 46px 1fr auto;
    align-items: center;
    gap: 4px;
    width: 100%;
    height: 46px;
    padding: 0 8px 0 4px;
    border: 1.5px solid var(--none);
    border-radius: var(--r2);
    font-size: var(--t1);
    font-weight: 600;
  }
  button:hover {
    border-color: var(--line);
  }
  button[aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
  }
  button span {
    white-space: nowrap;
  }
  .n {
    font-size: 15px;
    font-weight: 400;
  }
  .n.long {
    font-size: var(--t1);
    letter-spacing: -0.02em;
  }
  @media (max-width: 1100px) and (min-width: 901px) {
    .count {
      display: flex;
      align-items: baseline;
      gap: var(--s2);
    }
    .count .fits,
    .count .fits.long {
      font-size: 26px;
      line-height: 32px;
    }
    h2 {
      margin: 0 0 0 auto;
    }
    [role='radiogroup'] {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
    }
    button {
      grid-template-columns: 1fr auto;
    }
    button :global(svg) {
      display: none;
    }
    button {
      padding-left: 8px;
    }
  }
</style>
