<script lang="ts">
  // What the class has set: each side of a matter with a live example. A choice
  // is kept at once.
  import { onMount } from 'svelte';
  import { push } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import Doors from '../../lib/parts/Doors.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Column from '../../lib/pieces/Column.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import Colours from './Colours.svelte';
  import {
    classPath,
    guarded,
    loadDesk,
    logOut,
    openClass,
    saved,
    shared,
    troubleOf,
    view,
  } from '../../lib/state.svelte';
  import type { Choices, Desk, Settings, Sheet, Trouble } from '../../lib/wire.gen';

  const desk = $derived(shared.desk!);
  const lead = $derived(desk.class.role === 'lead');
  let choices = $state<Choices>();
  let trouble = $state<Trouble>();

  /** The places that an example is written in, the highest first. */
  const placesOf = (sheet: Sheet): string[] =>
    desk.words.places
      .map((p) => p.id)
      .filter((id) => sheet.marks.some((m) => m.place === id))
      .reverse();
  const now = (id: string): string => String(desk.settings[id as keyof Settings]);

  async function load(): Promise<void> {
    try {
      choices = await guarded(api<Choices>('GET', classPath('/choices')));
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  // One after another, each from the newest revision.
  let line = Promise.resolve();
  const set = (id: string, value: string): void =>
    change({ [id]: id === 'and' ? value === 'true' : value });
  const change = (part: Partial<Settings>): void => {
    shared.saving++; // from the touch on, not only once it is its turn
    line = line.then(() => keep(part)).finally(() => shared.saving--);
  };
  async function keep(part: Partial<Settings>): Promise<void> {
    try {
      const next = { ...desk.settings, ...part };
      shared.desk = await saved(api<Desk>('PUT', classPath('/settings'), next));
      trouble = undefined;
      await load();
    } catch (error) {
      trouble = troubleOf(error);
      await loadDesk(desk.class.id);
    }
  }
  async function leave(): Promise<void> {
    try {
      await logOut();
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  const back = (): void => void push(view('today'));

  onMount(load);
</script>

<svelte:window onkeydown={shortcuts({ space: back })} />

<Bench title="Settings of the class" keys={[['space', 'back to Today']]}>
  {#snippet shelf()}
    <h1>{desk.class.name}</h1>
    <p class="small">{shared.me?.name}, {desk.class.role}</p>
    <Doors at="settings" />
    {#each shared.me?.classes.filter((c) => c.id !== desk.class.id) ?? [] as c (c.id)}
      <p class="go"><Plain onclick={() => openClass(c)}>Go to {c.name}</Plain></p>
    {/each}
    <p class="go"><Plain onclick={leave}>Log out</Plain></p>
  {/snippet}
  {#snippet mat()}
    <div class="matters">
      {#if trouble}<Wrong {trouble} />{/if}
      <Colours
        palette={desk.palette}
        colours={desk.settings.colours}
        may={lead}
        onset={(colours) => change({ colours })}
      />
      {#each choices?.matters ?? [] as matter (matter.id)}
        <fieldset disabled={!lead}>
          <legend>{matter.name}</legend>
          <div class="sides">
            {#each matter.sides as side (side.value)}
              <label class:on={now(matter.id) === side.value}>
                <input
                  type="radio"
                  name={matter.id}
                  value={side.value}
                  checked={now(matter.id) === side.value}
                  onchange={() => set(matter.id, side.value)}
                />
                <span>
                  <b>{side.name}</b>
                  <span class="kid example">{side.example}</span>
                </span>
                {#if side.sheet}
                  <span class="paper">
                    <Column
                      places={placesOf(side.sheet)}
                      words={desk.words.places}
                      sheet={side.sheet}
                      heads={false}
                      cell={36}
                      size={30}
                    />
                  </span>
                {/if}
              </label>
            {/each}
          </div>
        </fieldset>
      {/each}
    </div>
  {/snippet}
  {#snippet book()}
    <h1>In the class’s own words</h1>
    <p class="note">
      These words are used on every label and in every sentence of the class. The examples are for
      238 + 267.
    </p>
    {#if !lead}<p class="note">Only the lead of the class can change them.</p>{/if}
  {/snippet}
  {#snippet foot()}
    <Next label="Back to Today" key="space" onclick={back} />
  {/snippet}
</Bench>

<style>
  .go {
    margin-top: var(--s3);
  }
  .matters {
    height: 100%;
    padding: var(--s4) 28px;
    overflow: auto;
  }
  fieldset {
    border: 0;
    margin-bottom: var(--s4);
  }
  legend {
    font-size: var(--t3);
    font-weight: 650;
    margin-bottom: 6px;
  }
  .sides {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 6px 12px;
  }
  label {
    display: flex;
    gap: var(--s3);
    align-items: flex-start;
    min-height: 62px;
    padding: 8px 12px;
    border: 1.5px solid var(--line);
    border-radius: var(--r2);
    cursor: pointer;
  }
  .paper {
    margin-left: auto;
  }
  label:hover {
    border-color: var(--edge);
  }
  label.on {
    border-color: var(--leaf);
    background: var(--leaf-tint);
  }
  label:focus-within:has(:focus-visible) {
    outline: 3px solid var(--leaf);
    outline-offset: 2px;
  }
  input {
    flex: none;
    width: 20px;
    height: 20px;
    margin-top: 2px;
    accent-color: var(--leaf);
  }
  b {
    font-weight: 650;
  }
  .example {
    display: block;
    font-size: var(--t1);
    line-height: 19px;
    color: var(--ink-2);
  }
  .note {
    margin-top: var(--s3);
  }
  @media (max-width: 700px) {
    .matters {
      height: auto;
      padding: var(--s3) 14px;
    }
    .sides {
      grid-template-columns: 1fr;
    }
    label {
      flex-wrap: wrap;
    }
  }
</style>
