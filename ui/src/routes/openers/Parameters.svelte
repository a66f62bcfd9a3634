<script lang="ts">
  // The parameters of one opener of a row.
  import Sides from '../../lib/parts/Sides.svelte';
  import type { Opener, Openers } from '../../lib/wire.gen';

  let {
    opener,
    page,
    may,
    first,
    last,
    onchange,
    ondrop,
    onshift,
  }: {
    opener: Opener;
    page: Openers;
    may: boolean;
    first: boolean;
    last: boolean;
    onchange: (part: Partial<Opener>) => void;
    ondrop: () => void;
    onshift: (by: number) => void;
  } = $props();

  const flash = $derived(opener.flash ?? { tenths: 20, times: 1 });
  const slips = $derived(
    page.slips.filter((s) => s.take === (opener.stage ?? '').startsWith('taking')),
  );
  const numbered = $derived(opener.upTo !== undefined && opener.upTo > 0);
  const seconds = (tenths: number): string => String(tenths / 10);
</script>

<div class="all" aria-label="The opener in hand: {opener.name}" role="group">
  <div class="head">
    <h1>{opener.name}</h1>
    {#if may}
      <span>
        <button class="act" disabled={first} onclick={() => onshift(-1)}>earlier</button>
        <button class="act" disabled={last} onclick={() => onshift(1)}>later</button>
        <button class="act" onclick={ondrop}>take it out</button>
      </span>
    {/if}
  </div>
  <fieldset disabled={!may}>
    {#if opener.kind === 'card'}
      <label for="card-text">What is said to the class</label>
      <textarea
        id="card-text"
        class="kid"
        rows="3"
        maxlength="160"
        value={opener.text ?? ''}
        placeholder="Say a number that hides its ten."
        oninput={(e) => onchange({ text: e.currentTarget.value })}></textarea>
    {:else}
      <div class="pair">
        <div>
          <h2 id="p-how-many">How many</h2>
          <Sides
            labelledby="p-how-many"
            now={String(opener.count)}
            sides={Array.from({ length: page.most }, (_, i) => ({
              value: String(i + 1),
              name: String(i + 1),
            }))}
            onset={(value) => onchange({ count: Number(value) })}
          />
        </div>
        {#if numbered}
          <div>
            <h2 id="p-numbers-to">Numbers up to</h2>
            <Sides
              labelledby="p-numbers-to"
              now={String(opener.upTo)}
              sides={page.upTos.map((n) => ({ value: String(n), name: String(n) }))}
              onset={(value) => onchange({ upTo: Number(value) })}
            />
          </div>
        {/if}
      </div>
      {#if opener.kind === 'flash'}
        <h2 id="p-shown">What is shown</h2>
        <div class="grid" role="radiogroup" aria-labelledby="p-shown">
          {#each page.shown as x (x.id)}
            <button
              role="radio"
              aria-checked={x.id === opener.shown}
              onclick={() => onchange({ shown: x.id })}>{x.name}</button
            >
          {/each}
        </div>
      {/if}
      {#if opener.flash}
        <div class="pair">
          <div>
            <h2 id="p-for-seconds">For how many seconds</h2>
            <Sides
              labelledby="p-for-seconds"
              now={String(flash.tenths)}
              sides={page.tenths.map((t) => ({ value: String(t), name: seconds(t) }))}
              onset={(value) => onchange({ flash: { ...flash, tenths: Number(value) } })}
            />
          </div>
          <div>
            <h2 id="p-shown-shown">Shown</h2>
            <Sides
              labelledby="p-shown-shown"
              now={String(flash.times)}
              sides={[
                { value: '1', name: 'once' },
                { value: '2', name: 'twice' },
              ]}
              onset={(value) => onchange({ flash: { ...flash, times: Number(value) } })}
            />
          </div>
        </div>
        <p class="small">Light never changes more than three times a second.</p>
      {/if}
      {#if opener.stage}
        <h2 id="p-stage">{opener.kind === 'head' ? 'Sums' : 'Examples'}</h2>
        <div class="grid two" role="radiogroup" aria-labelledby="p-stage">
          {#each page.stages as x (x.id)}
            <button
              role="radio"
              aria-checked={x.id === opener.stage}
              onclick={() => onchange({ stage: x.id, slips: [] })}>{x.name}</button
            >
          {/each}
        </div>
      {/if}
      {#if opener.kind === 'spot-slip'}
        <label for="planted">The slip that may be planted</label>
        <select
          id="planted"
          value={opener.slips?.[0] ?? ''}
          onchange={(e) =>
            onchange({ slips: e.currentTarget.value ? [e.currentTarget.value] : [] })}
        >
          <option value="">any that fits</option>
          {#each slips as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
        </select>
        <p class="small">
          The examples are drawn, nobody’s own work is shown; in one out of four there is no slip.
        </p>
      {/if}
    {/if}
  </fieldset>
</div>

<style>
  .all {
    margin-top: 18px;
    padding-top: 12px;
    border-top: 1.5px solid var(--line);
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
  }
  .head .act {
    padding: 0 8px;
  }
  .head .act:disabled {
    color: var(--ink-2);
    text-decoration: none;
  }
  fieldset {
    display: grid;
    gap: 10px;
    border: 0;
  }
  .pair {
    display: grid;
    grid-template-columns: 3fr 2fr;
    gap: 10px 20px;
  }
  h2 {
    margin-bottom: 4px;
  }
  @media (max-width: 700px) {
    .pair {
      grid-template-columns: 1fr;
    }
  }
  .grid {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
    gap: 6px;
  }
  .grid.two {
    grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  }
  .grid button {
    min-height: 44px;
    padding: 2px 8px;
    border: 1.5px solid var(--line);
    border-radius: var(--r2);
    font-size: 15px;
    line-height: 18px;
    text-align: center;
  }
  .grid [aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 650;
  }
  label {
    font-size: var(--t1);
    color: var(--ink-2);
  }
  textarea,
  select {
    width: 100%;
    min-height: 44px;
    padding: 8px 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font-size: var(--t3);
  }
  select {
    font: inherit;
  }
</style>
