<script lang="ts">
  // What is on a sheet: how many tasks, of which stage, with what beside them.
  import Sides from '../../lib/parts/Sides.svelte';
  import type { AskSheet, SheetKind, SheetLook, Sheets, Trouble } from '../../lib/wire.gen';

  let {
    page,
    ask,
    kind,
    look,
    trouble,
    onset,
    onothers,
  }: {
    page: Sheets;
    ask: AskSheet;
    kind: SheetKind;
    look?: SheetLook;
    trouble?: Trouble;
    onset: (change: Partial<AskSheet>) => void;
    onothers: () => void;
  } = $props();

  const YES = [
    { value: 'yes', name: 'with' },
    { value: '', name: 'without' },
  ];
  const sides = (list: { id: string; name: string }[]): { value: string; name: string }[] =>
    list.map((n) => ({ value: n.id, name: n.name }));
  const stages = $derived(
    kind.stages.filter((s) => !ask.strand || s.id.startsWith(`${ask.strand}/`)),
  );
  const DAYS = [0, 7, 14, 30, 60];

  // Typed numbers are read when the field is left, or after a while.
  let typed = $derived(ask.tasks);
  let wait: ReturnType<typeof setTimeout> | undefined;
  function type(text: string): void {
    typed = text;
    clearTimeout(wait);
    wait = setTimeout(() => onset({ tasks: text }), 600);
  }
  function done(): void {
    clearTimeout(wait);
    if (typed !== ask.tasks) onset({ tasks: typed });
  }
</script>

<h1 class="private">{look?.title || kind.name}</h1>
{#if look?.stands}<p class="small">{look.stands}</p>{/if}
{#if look?.says}<p class="says">{look.says}</p>{/if}
{#if look?.unprinted.length}
  <p class="warn private">
    Not every letter can be printed of: {look.unprinted.join(', ')}. An empty box stands for it.
  </p>
{/if}

{#if kind.kind === 'minute'}
  <h2 id="facts">Facts</h2>
  <div class="list" role="radiogroup" aria-labelledby="facts">
    {#each page.facts as f (f.id)}
      <button role="radio" aria-checked={ask.facts === f.id} onclick={() => onset({ facts: f.id })}
        >{f.name}</button
      >
    {/each}
  </div>
{/if}
{#if kind.counts.length > 1}
  <h2 id="count">Tasks on a sheet</h2>
  <Sides
    labelledby="count"
    sides={kind.counts.map((n) => ({ value: String(n), name: String(n) }))}
    now={String(ask.count)}
    onset={(n) => onset({ count: Number(n) })}
  />
{/if}
{#if kind.stages.length}
  <label for="sheet-stage">Of which stage</label>
  <select
    id="sheet-stage"
    value={ask.stage || (ask.strand ? `all ${ask.strand}` : '')}
    onchange={(e) => {
      const to = e.currentTarget.value;
      if (to.startsWith('all ')) onset({ strand: to.slice(4), stage: '', alike: false });
      else onset({ stage: to, strand: '', alike: false });
    }}
    class:wrong={trouble?.field === 'stage'}
  >
    {#if kind.each}<option value="">where each child stands</option>{:else}
      <option value="">as is usual</option>
    {/if}
    {#if kind.each && kind.strands.length > 1}
      {#each kind.strands as s (s.id)}
        <option value="all {s.id}">where each stands, {s.name.toLowerCase()}</option>
      {/each}
    {/if}
    {#each stages as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
  </select>
{/if}
{#if kind.typed}
  <label for="sheet-tasks">Or numbers of your own</label>
  <input
    id="sheet-tasks"
    value={typed}
    maxlength="400"
    placeholder="47+25; 503-128"
    class:wrong={trouble?.field === 'tasks'}
    aria-invalid={trouble?.field === 'tasks'}
    oninput={(e) => type(e.currentTarget.value)}
    onchange={done}
  />
{/if}
{#if kind.each && !ask.tasks}
  <h2 id="alike">Numbers</h2>
  <Sides
    labelledby="alike"
    sides={[
      { value: '', name: 'each child its own' },
      { value: 'yes', name: 'all the same' },
    ]}
    now={ask.alike ? 'yes' : ''}
    onset={(v) => onset({ alike: v === 'yes' })}
  />
{/if}
{#if kind.columns}
  <h2 id="boxes">Boxes for what comes up</h2>
  <Sides
    labelledby="boxes"
    sides={YES}
    now={ask.boxes ? 'yes' : ''}
    onset={(v) => onset({ boxes: v === 'yes' })}
  />
  <h2 id="signs">Marks of the places</h2>
  <Sides
    labelledby="signs"
    sides={YES}
    now={ask.signs ? 'yes' : ''}
    onset={(v) => onset({ signs: v === 'yes' })}
  />
{/if}
{#if kind.drawings}
  <h2 id="room">Room for quick drawings</h2>
  <Sides
    labelledby="room"
    sides={YES}
    now={ask.room ? 'yes' : ''}
    onset={(v) => onset({ room: v === 'yes' })}
  />
{/if}
{#if kind.counts.length}
  <h2 id="key">Key</h2>
  <Sides labelledby="key" sides={sides(page.keys)} now={ask.key} onset={(v) => onset({ key: v })} />
{/if}
<h2 id="paper">Paper</h2>
<Sides
  labelledby="paper"
  sides={sides(page.papers)}
  now={ask.paper}
  onset={(v) => onset({ paper: v })}
/>
{#if kind.each && !ask.tasks}
  <label for="sheet-days">Left out: what a child had within</label>
  <select
    id="sheet-days"
    value={String(ask.days)}
    onchange={(e) => onset({ days: Number(e.currentTarget.value) })}
  >
    {#each DAYS as d (d)}<option value={String(d)}>{d ? `${d} days` : 'nothing is left out'}</option
      >{/each}
  </select>
{/if}
{#if (kind.counts.length || kind.kind === 'strip') && !ask.tasks}
  <button class="act" onclick={onothers}>Other numbers</button>
{/if}

<style>
  .says {
    margin-top: 4px;
  }
  .warn {
    margin-top: 8px;
    color: var(--clay-ink);
  }
  h2,
  label {
    display: block;
    margin: 12px 0 4px;
    font-size: 15px;
    font-weight: 650;
    color: var(--ink-2);
  }
  select,
  input {
    width: 100%;
    min-height: 44px;
    padding: 0 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font: inherit;
  }
  .wrong {
    border-color: var(--clay);
    border-width: 2.5px;
  }
  .list {
    display: grid;
    gap: 4px;
  }
  .list button {
    min-height: 44px;
    padding: 0 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    text-align: left;
  }
  .list button[aria-checked='true'] {
    background: var(--leaf-tint);
    font-weight: 650;
    box-shadow: inset 4px 0 0 var(--leaf);
  }
  .act {
    min-height: 44px;
    margin-top: 8px;
    color: var(--leaf-deep);
    font-weight: 650;
    text-decoration: underline;
  }
</style>
