<script lang="ts">
  // What lies ready for a number that is asked alone, and with which material it is laid.
  import Fetched from '../../../lib/ones/Fetched.svelte';
  import Piece from '../../../lib/pieces/Piece.svelte';
  import type { Lesson, Words } from '../../../lib/wire.gen';
  import { opposite } from './opposite.svelte';

  let {
    lesson,
    words,
    material,
    onmaterial,
    may,
  }: {
    lesson: Lesson;
    words: Words;
    material: string;
    onmaterial: (id: string) => void;
    may: boolean;
  } = $props();

  const one = $derived(lesson.link.sum.one);
  const laid = $derived(
    (['tens', 'places'].includes(lesson.scene) && !one?.drawn) ||
      (lesson.scene === 'rows' && one?.shown === 'pieces'),
  );
  /** The four kinds are shown drawn too; a number is drawn where that is asked for. */
  const drawings = $derived(['kinds', 'ten-of'].includes(one?.shown ?? ''));
  const kinds = $derived(words.materials.filter((m) => drawings || m.id !== 'drawings'));
</script>

<h1>Ready</h1>
<ul>
  {#each lesson.needs.fetch as f (f.id)}
    <li><Fetched {f} {material} {words} /></li>
  {:else}
    <li class="small">
      {lesson.scene === 'fingers'
        ? 'Nothing is needed but ten fingers.'
        : 'Nothing is needed: it is done in the head.'}
    </li>
  {/each}
</ul>
{#if one?.rack}
  <p class="small">{one.rack.pushes} {one.rack.fewest === 1 ? 'shows' : 'show'} it.</p>
  <button class="act" aria-pressed={opposite.turned} onclick={() => opposite.turn()}
    >{opposite.turned ? 'Seen from my side' : 'Seen from the child’s side'}</button
  >
{/if}
{#if laid}
  <div class="materials" role="radiogroup" aria-label="Material">
    {#each kinds as m (m.id)}
      <button
        role="radio"
        aria-checked={m.id === material}
        disabled={!may}
        onclick={() => onmaterial(m.id)}
      >
        <Piece material={m.id} place="tens" unit={2.6} />
        {m.name}
      </button>
    {/each}
  </div>
{/if}

<style>
  ul {
    display: grid;
    gap: 10px;
    margin: 10px 0 var(--s4);
  }
  .materials {
    display: flex;
    gap: 4px;
    margin-top: auto;
  }
  .materials button {
    flex: 1;
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 2px;
    min-height: 56px;
    padding: 6px 4px;
    border: 1.5px solid var(--line);
    border-radius: var(--r2);
    font-size: var(--t1);
  }
  .materials button[aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 650;
  }
  @media (max-width: 900px) and (min-width: 700.1px) {
    ul {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>
