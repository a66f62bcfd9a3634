<script lang="ts">
  // The first lesson of a class: two questions, and the numbers that follow from them.
  import Wrong from '../../lib/parts/Wrong.svelte';
  import Cards from '../../lib/pieces/Cards.svelte';
  import Piece from '../../lib/pieces/Piece.svelte';
  import { shared } from '../../lib/state.svelte';
  import type { FirstDay } from './first.svelte';

  let { first }: { first: FirstDay } = $props();

  const desk = $derived(shared.desk!);
  const MATERIALS = [
    ['beads', 'beads'],
    ['blocks', 'blocks'],
    ['drawings', 'pencil and paper'],
  ] as const;
  const placeOf = (n: number): string => desk.words.places[n]?.id ?? '';
  /** The cards and pieces of a number, the highest place first. */
  const parts = (n: number): { place: string; digit: number; worth: number }[] =>
    [...String(n)]
      .map((d, i, all) => {
        const nth = all.length - 1 - i;
        return { place: placeOf(nth), digit: Number(d), worth: Number(d) * 10 ** nth };
      })
      .filter((p) => p.digit > 0);
  const pieceName = (place: string, n: number): string => {
    const nth = desk.words.places.findIndex((p) => p.id === place);
    const word = desk.words.materials.find((m) => m.id === first.material)?.pieces[nth];
    return (n === 1 ? word?.one : word?.many) ?? '';
  };
</script>

<div class="first">
  <h1>The first lesson, in two minutes</h1>
  <p class="small">No class list is needed yet. Everything can be changed later.</p>

  <h2 id="first-told"><b>1</b> What can your children do today?</h2>
  <div class="told" role="radiogroup" aria-labelledby="first-told">
    {#each desk.told as t (t.id)}
      <button role="radio" aria-checked={first.told === t.id} onclick={() => first.tell(t.id)}>
        <span class="kid example">{t.example}</span>
        <strong>{t.name}</strong>
        <span class="small">next: {t.stageName}</span>
      </button>
    {/each}
  </div>

  <h2 id="first-material"><b>2</b> What do you have?</h2>
  <div class="have" role="radiogroup" aria-labelledby="first-material">
    {#each MATERIALS as [id, name] (id)}
      <button
        role="radio"
        aria-checked={first.material === id}
        onclick={() => (first.material = id)}
      >
        <Piece material={id} place="tens" unit={id === 'drawings' ? 6 : 4} />
        <strong>{name}</strong>
      </button>
    {/each}
  </div>

  {#if first.trouble && first.trouble.field !== 'name'}<Wrong trouble={first.trouble} />{/if}
  {#if first.sum}
    <div class="head">
      <h2><b>3</b> This is it: <span class="kid">{first.sum.said}</span></h2>
      <button class="act" onclick={() => void first.draw()}>Other numbers</button>
    </div>
    <div class="it">
      {#each first.sum.numbers as n, i (i)}
        <div class="tray">
          <Cards cards={parts(n).map((p) => p.worth)} cell={19} />
          <span class="lie">
            {#each parts(n) as p (p.place)}
              <span class="pile" role="img" aria-label="{p.digit} {pieceName(p.place, p.digit)}">
                {#each { length: p.digit }, k (k)}
                  <Piece
                    material={first.material}
                    place={p.place}
                    unit={p.place === 'ones' ? 12 : p.place === 'tens' ? 4.4 : 2.6}
                  />
                {/each}
              </span>
            {/each}
          </span>
        </div>
      {/each}
      <ul aria-label="To fetch">
        <li class="small">Fetch</li>
        {#each first.sum.pieces as p (p.place)}
          <li><b class="kid">{p.count}</b> {pieceName(p.place, p.count)}</li>
        {/each}
        <li><b class="kid">{first.sum.numbers.length + 1}</b> trays</li>
      </ul>
    </div>
  {/if}
</div>

<style>
  .first {
    height: 100%;
    padding: 20px 28px;
    overflow: auto;
  }
  h1 {
    font-size: var(--t4);
    line-height: 36px;
  }
  h2 {
    display: flex;
    align-items: center;
    gap: 10px;
    margin: var(--s4) 0 6px;
    font-size: var(--t3);
    line-height: 26px;
    color: var(--ink);
  }
  h2 b {
    display: grid;
    place-items: center;
    width: 28px;
    height: 28px;
    border: 2px solid var(--leaf);
    border-radius: 50%;
    font: 700 var(--t2) / 1 var(--kid);
  }
  .told,
  .have {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(148px, 1fr));
    gap: 8px;
  }
  .told button,
  .have button {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 4px;
    min-height: 112px;
    padding: 8px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    text-align: center;
    line-height: 19px;
  }
  .have button {
    flex-direction: row;
    gap: 12px;
    min-height: 64px;
  }
  button[aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    box-shadow: inset 0 -4px 0 var(--leaf);
  }
  .example {
    font-size: 24px;
    line-height: 36px;
    white-space: nowrap;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    justify-content: space-between;
  }
  .it {
    display: flex;
    flex-wrap: wrap;
    gap: 12px;
  }
  .tray {
    flex: 1 1 180px;
    padding: 10px 14px;
    border: 1.5px solid var(--tray);
    border-radius: var(--r3);
    background: var(--sheet);
  }
  .lie {
    display: flex;
    flex-wrap: wrap;
    gap: 14px;
    margin-top: 8px;
  }
  .pile {
    display: flex;
    flex-wrap: wrap;
    align-content: start;
    gap: 3px;
    max-width: 96px;
  }
  li b {
    display: inline-block;
    min-width: 26px;
  }
  @media (max-width: 700px) {
    .first {
      height: auto;
      padding: var(--s3) 14px;
      overflow: visible;
    }
  }
</style>
