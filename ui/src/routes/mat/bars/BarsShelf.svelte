<script lang="ts">
  // What is fetched for a chain or for number rods, and what wants care.
  import Fetched from '../../../lib/ones/Fetched.svelte';
  import type { Lesson, Words } from '../../../lib/wire.gen';

  let { lesson, words, material }: { lesson: Lesson; words: Words; material: string } = $props();

  const FEW = 9; // of more kinds the rods are told at once
  const rods = $derived(lesson.link.sum.rods);
</script>

<h1>Ready</h1>
{#if rods && lesson.needs.fetch.length > FEW}
  <p>The number rods, 1 to 10</p>
{:else}
  <ul>
    {#each lesson.needs.fetch as f (f.id)}<li><Fetched {f} {material} {words} /></li>{/each}
  </ul>
{/if}
{#if rods}
  <p class="small care">The tenth is long: carry it upright, keep the way past the mat free.</p>
{/if}

<style>
  ul {
    display: grid;
    gap: 10px;
    margin: 10px 0;
  }
  .care {
    margin-top: var(--s4);
  }
</style>
