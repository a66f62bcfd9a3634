<script lang="ts">
  // For whom sheets are printed: by the stages of their tasks, or in one row where all have
  // the same.
  import Leaf from '../../lib/pieces/Leaf.svelte';
  import type { AskSheet, SheetLook, Sheets } from '../../lib/wire.gen';

  let {
    page,
    ask,
    look,
    child,
    onlook,
    onleave,
    ontake,
  }: {
    page: Sheets;
    ask: AskSheet;
    look?: SheetLook;
    child: string;
    onlook: (id: string) => void;
    onleave: (id: string) => void;
    ontake: (id: string) => void;
  } = $props();

  const out = $derived(page.children.filter((c) => !ask.children.includes(c.id)));
  const n = $derived(ask.children.length);
  const own = $derived((look?.groups.length ?? 0) > 0 && !ask.alike && !ask.tasks);
  const all = $derived(page.children.filter((c) => ask.children.includes(c.id)));
</script>

<div class="whom">
  <div class="head">
    <h1>{n === 1 ? '1 child' : `${n} children`}</h1>
    {#if n && all.some((c) => c.id === child)}
      <button class="act" onclick={() => onleave(child)}>
        <span class="private">No sheet for {all.find((c) => c.id === child)?.name}</span>
      </button>
    {/if}
  </div>
  <p class="small">
    {own
      ? 'each its own numbers, from where it stands; touch a name to see its sheet'
      : 'all the same sheet, each with its name'}
  </p>
  {#if own}
    {#each look!.groups as g (g.stage)}
      <h2>{g.name}</h2>
      <div class="names">
        {#each g.children as c (c.id)}
          <button aria-pressed={c.id === child} onclick={() => onlook(c.id)} title={c.says}>
            <svg width="22" height="30" viewBox="-11 -20 22 30" aria-hidden="true">
              {#if c.state}<Leaf state={c.state} lobes={[c.state]} r={9} />{/if}
            </svg>
            <span class="private">{c.name}</span>
          </button>
        {/each}
      </div>
    {/each}
  {:else}
    <div class="names">
      {#each all as c (c.id)}
        <button aria-pressed={c.id === child} onclick={() => onlook(c.id)}>
          <span class="private">{c.name}</span>
        </button>
      {/each}
    </div>
  {/if}
  {#if out.length}
    <h2>No sheet</h2>
    <p class="small">
      {out.some((c) => page.away.includes(c.id)) ? 'left out, or away today; ' : ''}touch to add
    </p>
    <div class="names">
      {#each out as c (c.id)}
        <button class="out" onclick={() => ontake(c.id)} aria-label="Add {c.name}">
          <span class="private">{c.name}</span>
        </button>
      {/each}
    </div>
  {/if}
</div>

<style>
  .whom {
    min-height: 0;
    overflow: auto;
    padding: 0 6px 6px 2px;
  }
  /* What acts on the child that is pointed at stays where it is while the groups change. */
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 0 12px;
  }
  h2 {
    margin: 12px 0 4px;
    font-size: 15px;
    font-weight: 650;
  }
  .names {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
    gap: 6px;
  }
  .names button {
    display: flex;
    align-items: center;
    gap: 4px;
    min-width: 0;
    min-height: 44px;
    padding: 0 4px 0 6px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font-family: var(--kid);
    font-size: 15px;
    line-height: 18px;
    overflow-wrap: anywhere;
    text-align: left;
  }
  .names button[aria-pressed='true'] {
    background: var(--leaf-tint);
    font-weight: 700;
    box-shadow: inset 0 -3px 0 var(--leaf);
  }
  .names button.out {
    border-style: dashed;
    background: transparent;
    color: var(--ink-2);
  }
  .act {
    min-height: 44px;
    color: var(--leaf-deep);
    text-decoration: underline;
  }
</style>
