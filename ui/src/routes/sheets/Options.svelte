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

{#if (kind.counts.length || kind.kind === 'strip') && !ask.tasks}
  <button class="act" onclick={onothers}>Other numbers</button>
{/if}

<div class="rows">
  {#if kind.kind === 'minute'}
    <div class="list" role="radiogroup" aria-label="Facts">
      {#each page.facts as f (f.id)}
        <button
          role="radio"
          aria-checked={ask.facts === f.id}
          onclick={() => onset({ facts: f.id })}>{f.name}</button
        >
      {/each}
    </div>
  {/if}
  {#if kind.counts.length > 1}
    <span class="row">
      <span id="count">Tasks</span>
      <Sides
        labelledby="count"
        sides={kind.counts.map((n) => ({ value: String(n), name: String(n) }))}
        now={String(ask.count)}
        onset={(n) => onset({ count: Number(n) })}
      />
    </span>
  {/if}
  {#if kind.stages.length}
    <select
      aria-label="Of which stage"
      value={ask.stage || (ask.strand ? `all ${ask.strand}` : '')}
      onchange={(e) => {
        const to = e.currentTarget.value;
        if (to.startsWith('all ')) onset({ strand: to.slice(4), stage: '', alike: false });
        else onset({ stage: to, strand: '', alike: false });
      }}
      class:wrong={trouble?.field === 'stage'}
    >
      {#if kind.each}<option value="">where each child stands</option>{:else}
        <option value="">the usual stage</option>
      {/if}
      {#if kind.each && kind.strands.length > 1}
        {#each kind.strands as s (s.id)}
          <option value="all {s.id}">where each stands: {s.name}</option>
        {/each}
      {/if}
      {#each stages as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
    </select>
  {/if}
  {#if kind.typed}
    <input
      aria-label="Or numbers of your own"
      value={typed}
      maxlength="400"
      placeholder="or your own: 47+25; 503-128"
      class:wrong={trouble?.field === 'tasks'}
      aria-invalid={trouble?.field === 'tasks'}
      oninput={(e) => type(e.currentTarget.value)}
      onchange={done}
    />
  {/if}
  {#if kind.each && !ask.tasks}
    <Sides
      label="Numbers"
      sides={[
        { value: '', name: 'each child its own' },
        { value: 'yes', name: 'all the same' },
      ]}
      now={ask.alike ? 'yes' : ''}
      onset={(v) => onset({ alike: v === 'yes' })}
    />
  {/if}
  {#if kind.columns || kind.drawings}
    <span class="row">
      <span id="with">With</span>
      <span class="with" role="group" aria-labelledby="with">
        {#if kind.columns}
          <button
            aria-pressed={ask.boxes}
            aria-label="boxes: for what comes up or is crossed out"
            title="boxes for what comes up or is crossed out"
            onclick={() => onset({ boxes: !ask.boxes })}>boxes</button
          >
          <button
            aria-pressed={ask.signs}
            aria-label="marks: of the places"
            title="marks of the places"
            onclick={() => onset({ signs: !ask.signs })}>marks</button
          >
        {/if}
        {#if kind.drawings}
          <button
            aria-pressed={ask.room}
            aria-label="drawing: room for quick drawings"
            title="room for quick drawings"
            onclick={() => onset({ room: !ask.room })}>drawing</button
          >
        {/if}
      </span>
    </span>
  {/if}
  {#if kind.counts.length}
    <span class="row">
      <span id="key">Key</span>
      <Sides
        labelledby="key"
        sides={sides(page.keys)}
        now={ask.key}
        onset={(v) => onset({ key: v })}
      />
    </span>
  {/if}
  <span class="row">
    <span id="paper">Paper</span>
    <Sides
      labelledby="paper"
      sides={sides(page.papers)}
      now={ask.paper}
      onset={(v) => onset({ paper: v })}
    />
  </span>
  {#if kind.each && !ask.tasks}
    <select
      aria-label="Left out: what a child had within"
      value={String(ask.days)}
      onchange={(e) => onset({ days: Number(e.currentTarget.value) })}
    >
      {#each DAYS as d (d)}
        <option value={String(d)}
          >{d ? `nothing that it had in ${d} days` : 'nothing is left out'}</option
        >
      {/each}
    </select>
  {/if}
</div>

<style>
  .says {
    margin-top: 4px;
  }
  .warn {
    margin-top: 8px;
    color: var(--clay-ink);
  }
  .rows {
    display: grid;
    gap: 8px;
    margin-top: 8px;
  }
  .row {
    display: grid;
    grid-template-columns: 56px minmax(0, 1fr);
    align-items: center;
  }
  .row > span:first-child {
    font-size: 15px;
    font-weight: 650;
    color: var(--ink-2);
  }
  .with {
    display: flex;
    gap: 6px;
  }
  .with button {
    flex: 1;
    min-height: 44px;
    padding: 0 2px;
    border: 1.5px dashed var(--edge);
    border-radius: var(--r2);
    font-size: 15px;
    text-align: center;
  }
  .with button[aria-pressed='true'] {
    border-style: solid;
    background: var(--leaf-tint);
    font-weight: 650;
    box-shadow: inset 0 -3px 0 var(--leaf);
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
    color: var(--leaf-deep);
    font-weight: 650;
    text-decoration: underline;
  }
</style>
