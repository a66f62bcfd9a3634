<script lang="ts">
  // Short openers for the whole class: put into a row, kept under a name, run with one key.
  import { onMount } from 'svelte';
  import { push } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { newId } from '../../lib/id';
  import { shortcuts } from '../../lib/keys';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import {
    classPath,
    guarded,
    loadDesk,
    saved,
    shared,
    troubleOf,
    view,
  } from '../../lib/state.svelte';
  import type { Lesson, Opener, OpenerRow, Openers, Trouble } from '../../lib/wire.gen';
  import Projector from '../slates/Projector.svelte';
  import Parameters from './Parameters.svelte';
  import Sign from './Sign.svelte';

  const MOST_IN_ROW = 8;
  let page = $state.raw<Openers>();
  let trouble = $state<Trouble>();
  let busy = $state(false);

  // The row that is being put together lies on this device, over a reload too.
  const key = `openers ${shared.me?.id} ${shared.desk!.class.id}`;
  const before = ((): OpenerRow => {
    try {
      return JSON.parse(localStorage.getItem(key) ?? '') as OpenerRow;
    } catch {
      return { id: newId(), revision: 0, name: '', openers: [] };
    }
  })();
  let row = $state.raw<OpenerRow>(before);
  let chosen = $state(0);
  const set = (change: Partial<OpenerRow>): void => {
    row = { ...row, ...change };
    trouble = undefined;
    try {
      localStorage.setItem(key, JSON.stringify(row));
    } catch {
      // the device is full: the page has it
    }
  };
  const opener = $derived<Opener | undefined>(row.openers[chosen]);
  const kept = $derived(page?.rows.find((r) => r.id === row.id));
  const plain = (r?: OpenerRow): string =>
    JSON.stringify([
      r?.name,
      r?.openers.map((o) => ({
        ...o,
        says: '',
        name: '',
        flash: o.flash && [o.flash.tenths, o.flash.times],
      })),
    ]);
  const changed = $derived(plain(kept) !== plain(row));
  const tasks = $derived(row.openers.reduce((n, o) => n + Math.max(1, o.count), 0));

  async function load(): Promise<void> {
    try {
      page = await guarded(api<Openers>('GET', classPath('/openers')));
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  onMount(load);

  function add(kind: Opener): void {
    if (row.openers.length >= MOST_IN_ROW) return;
    set({ openers: [...row.openers, { ...kind }] });
    chosen = row.openers.length - 1;
  }
  const change = (part: Partial<Opener>): void =>
    set({ openers: row.openers.map((o, i) => (i === chosen ? { ...o, ...part, says: '' } : o)) });
  function drop(): void {
    set({ openers: row.openers.filter((_, i) => i !== chosen) });
    chosen = Math.max(0, Math.min(chosen, row.openers.length - 1));
  }
  function shift(by: number): void {
    const to = chosen + by;
    if (!opener || to < 0 || to >= row.openers.length) return;
    const list = [...row.openers];
    [list[chosen], list[to]] = [list[to]!, list[chosen]!];
    set({ openers: list });
    chosen = to;
  }
  function take(r?: OpenerRow): void {
    set(r ?? { id: newId(), revision: 0, name: '', openers: [] });
    chosen = 0;
  }
  async function keep(): Promise<void> {
    if (busy) return;
    busy = true;
    try {
      page = await saved(api<Openers>('PUT', classPath('/openers'), row));
      const now = page.rows.find((r) => r.id === row.id);
      if (now) set(now);
      trouble = undefined;
    } catch (error) {
      trouble = troubleOf(error);
      if (trouble.status === 409) await load();
    } finally {
      busy = false;
    }
  }
  let dropped = $state.raw<OpenerRow>();
  async function forget(): Promise<void> {
    const gone = kept;
    if (!gone || busy) return;
    busy = true;
    try {
      page = await saved(api<Openers>('DELETE', classPath(`/openers/${gone.id}`)));
      dropped = gone;
      take();
    } catch (error) {
      trouble = troubleOf(error);
    } finally {
      busy = false;
    }
  }
  async function undo(): Promise<void> {
    if (!dropped) return;
    set({ ...dropped, id: newId(), revision: 0 });
    dropped = undefined;
    await keep();
  }
  // Touched again after an error, the same lesson is opened and none twice.
  let id = newId();
  async function start(): Promise<void> {
    if (busy || !row.openers.length || !shared.mayPresent) return;
    busy = true;
    try {
      const run = { id, openers: row.openers };
      await saved(api<Lesson>('POST', classPath('/openers/run'), run));
      trouble = undefined;
      const at = id;
      id = newId();
      await loadDesk(shared.desk!.class.id);
      await push(view(`slates/${at}`));
    } catch (error) {
      trouble = troubleOf(error);
    } finally {
      busy = false;
    }
  }
</script>

<svelte:window
  onkeydown={shortcuts({
    space: () => void start(),
    arrowright: () => (chosen = Math.min(row.openers.length - 1, chosen + 1)),
    arrowleft: () => (chosen = Math.max(0, chosen - 1)),
    x: () => opener && drop(),
  })}
/>

<Bench
  title="Openers"
  keys={[
    ['space', 'start the row'],
    ['← →', 'another opener of the row'],
    ['x', 'take it out of the row'],
  ]}
  shelfSays={page ? `${page.kinds.length} kinds` : ''}
  bookSays={row.name}
  first={before.openers.length ? 'book' : 'shelf'}
  drawer={330}
>
  {#snippet shelf()}
    <h1>Openers</h1>
    <p class="small">touch one to put it into the row</p>
    <div class="kinds">
      {#each page?.kinds ?? [] as k (k.kind)}
        <button
          aria-label={k.name}
          disabled={!shared.mayPresent || row.openers.length >= MOST_IN_ROW}
          onclick={() => add(k)}
        >
          <Sign kind={k.kind} />
          <span>{k.name}</span>
        </button>
      {/each}
    </div>
  {/snippet}

  {#snippet mat()}
    <div class="all">
      <div class="head">
        <h1>{row.name || 'A new row'}</h1>
        <span class="small"
          >{row.openers.length
            ? `${tasks} ${tasks === 1 ? 'task' : 'tasks'}, for the whole class`
            : ''}</span
        >
      </div>
      {#if row.openers.length}
        <ol class="row" aria-label="The row">
          {#each row.openers as o, i (i)}
            <li>
              <button aria-pressed={i === chosen} onclick={() => (chosen = i)}>
                <Sign kind={o.kind} />
                <b>{o.name}</b>
                <span class="small">{o.count > 1 ? `${o.count} tasks` : 'one task'}</span>
              </button>
            </li>
          {/each}
        </ol>
        {#if opener && page}
          <Parameters
            {opener}
            {page}
            may={shared.mayPresent}
            onchange={change}
            ondrop={drop}
            onshift={shift}
            first={chosen === 0}
            last={chosen === row.openers.length - 1}
          />
        {/if}
      {:else}
        <p class="none">
          A row is a few short openers, one after another: flashes, finger numbers, a riddle, a sum
          in the head, a card of your own. Touch one on the shelf.
        </p>
      {/if}
      {#if trouble}<div class="note"><Wrong {trouble} /></div>{/if}
    </div>
  {/snippet}

  {#snippet book()}
    <h2>Kept rows</h2>
    <div class="rows" role="group" aria-label="Kept rows">
      {#each page?.rows ?? [] as r (r.id)}
        <button aria-pressed={r.id === row.id} onclick={() => take(r)}>{r.name}</button>
      {:else}
        {#if page}<p class="small">None yet.</p>{/if}
      {/each}
      {#if row.openers.length || row.id === kept?.id}
        <button class="act" onclick={() => take()}>A new row</button>
      {/if}
    </div>
    {#if dropped}
      <p class="small">
        {dropped.name} is deleted.
        <button class="act" onclick={() => void undo()}>Keep it after all</button>
      </p>
    {/if}
    {#if row.openers.length && shared.mayPresent}
      <label for="row-name">Name of this row</label>
      <input
        id="row-name"
        value={row.name}
        maxlength="60"
        class:wrong={trouble?.field === 'name'}
        oninput={(e) => set({ name: e.currentTarget.value })}
      />
      <div class="keep">
        <Plain disabled={busy || !changed || !row.name.trim()} onclick={() => void keep()}
          >{kept && !changed ? 'Kept' : 'Keep the row'}</Plain
        >
        {#if kept}<button class="act" onclick={() => void forget()}>Delete it</button>{/if}
      </div>
    {/if}
    {#if page}<Projector code={page.code} />{/if}
  {/snippet}

  {#snippet foot()}
    <Next
      label="Start the row"
      key="space"
      disabled={!row.openers.length || !shared.mayPresent}
      onclick={() => void start()}
    />
  {/snippet}
</Bench>

<style>
  .kinds {
    display: grid;
    margin: 8px -8px 0;
  }
  .kinds button {
    display: grid;
    grid-template-columns: 44px 1fr;
    align-items: center;
    gap: 10px;
    min-height: 52px;
    padding: 2px 8px;
    border-bottom: 1px solid var(--line);
    line-height: 19px;
  }
  .kinds button:hover:not(:disabled) {
    background: var(--leaf-tint);
  }
  .all {
    height: 100%;
    padding: 16px 24px;
    overflow: auto;
  }
  .head {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    gap: 12px;
  }
  .row {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
    gap: 10px;
    margin-top: 14px;
  }
  .row button {
    display: flex;
    flex-direction: column;
    gap: 4px;
    width: 100%;
    min-height: 116px;
    padding: 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    line-height: 19px;
  }
  .row [aria-pressed='true'] {
    border: 2.5px solid var(--leaf);
    background: var(--leaf-tint);
  }
  .none {
    max-width: 46ch;
    margin-top: 40px;
    font-size: var(--t3);
    line-height: 28px;
    color: var(--ink-2);
  }
  .note {
    margin-top: 12px;
    padding: 8px 12px;
    border: 1.5px solid var(--clay);
    border-radius: var(--r2);
  }
  .rows {
    display: grid;
    margin-top: 4px;
  }
  .rows button:not(.act) {
    min-height: 44px;
    margin: 0 -20px;
    padding: 0 20px;
    border-left: 4px solid var(--none);
  }
  .rows [aria-pressed='true'] {
    border-left-color: var(--leaf) !important;
    background: var(--leaf-tint);
    font-weight: 650;
  }
  label {
    display: block;
    margin-top: var(--s3);
    font-size: var(--t1);
    color: var(--ink-2);
  }
  input {
    width: 100%;
    min-height: 44px;
    padding: 0 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
  }
  input.wrong {
    border-color: var(--clay);
  }
  .keep {
    display: flex;
    align-items: center;
    gap: 16px;
    margin-top: 8px;
  }
</style>
