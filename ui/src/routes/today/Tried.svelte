<script lang="ts">
  // The two tasks by which pieces are left: one as it is secure, framed whole, and one as it
  // is tried, dashed.
  import Pile from '../../lib/pieces/Pile.svelte';
  import Written from '../../lib/parts/Written.svelte';
  import type { Begun } from '../../lib/wire.gen';

  let { shown, material }: { shown: Begun[]; material: string } = $props();

  const PLACES = ['ones', 'tens', 'hundreds', 'thousands'];
  const WIDE: Record<string, number> = { ones: 52, tens: 60, hundreds: 46, thousands: 40 };
  const FEW = 3; // rows of pieces that a frame has room for
  interface Of {
    place: string;
    n: number;
  }
  /** A number's pieces, the highest place first. */
  const piles = (n: number): Of[] =>
    [...String(n)].reverse().map((d, i) => ({ place: PLACES[i] ?? '', n: Number(d) }));
  const lies = (b: Begun): string | undefined =>
    b.manner === 'drawn'
      ? 'drawings'
      : b.manner.startsWith('pieces')
        ? material === 'drawings'
          ? 'beads'
          : material
        : undefined;
</script>

<div class="tried">
  {#each shown as b, i (i)}
    {#if i > 0}
      <svg class="twig" width="34" height="24" viewBox="0 0 34 24" aria-hidden="true">
        <path d="M2 14C10 18 24 18 32 12" />
        <use href="#leaf" transform="translate(16 16) rotate(-30) scale(.55)" />
      </svg>
    {/if}
    <figure class:next={i > 0}>
      <div class="frame">
        {#if lies(b) && b.built.length && b.built.length <= FEW && Math.max(...b.built) < 10000}
          {#each b.built as n, k (k)}
            <div class="row">
              {#each piles(n).reverse() as p (p.place)}
                {#if p.n}<Pile
                    material={lies(b)!}
                    place={p.place}
                    n={p.n}
                    width={WIDE[p.place]!}
                    height={40}
                  />{/if}
              {/each}
            </div>
          {/each}
        {:else if b.numbers.length}
          <Written numbers={b.numbers} sign={b.sign} size={26} cell={22} />
        {/if}
        <p class="kid">{b.task}</p>
      </div>
      <figcaption>{b.says}: {i > 0 ? 'try it' : 'secure'}</figcaption>
    </figure>
  {/each}
</div>

<style>
  .tried {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
    margin: 8px 0 4px;
  }
  figure {
    margin: 0;
  }
  .frame {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 4px;
    box-sizing: border-box;
    min-width: 176px;
    min-height: 132px;
    padding: 8px 12px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
  }
  .next .frame {
    border: 2px dashed var(--leaf);
  }
  .row {
    display: flex;
    align-items: center;
    gap: 8px;
    min-height: 42px;
  }
  .frame p {
    font-size: var(--t3);
    line-height: 26px;
  }
  figcaption {
    margin-top: 4px;
    text-align: center;
    font-size: var(--t1);
    line-height: 20px;
  }
  .next figcaption {
    font-weight: 650;
  }
  .twig path {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 2;
  }
</style>
