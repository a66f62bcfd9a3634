<script lang="ts">
  // The book of a chain: the steps in a row, and the bars so far as a sum and as times.
  import type { Lesson } from '../../../lib/wire.gen';

  let { lesson, index }: { lesson: Lesson; index: number } = $props();

  const chain = $derived(lesson.link.sum.chain!);
  const v = $derived(lesson.steps[index]!.chain!);
  const asks = $derived(chain.asks === 'how-many');
  const so = $derived(Math.max(v.tagged, v.ringed));
  const MANY = 12; // of more tags the last ones are told
  const first = $derived(Math.max(0, Math.min(so + 1, chain.bars) - MANY));
</script>

<h1>{asks ? chain.ask : `Counting by ${chain.name}`}</h1>
<ol class="tags kid">
  {#each chain.tags.slice(first, first + MANY) as t, k (t)}
    <li class:now={first + k === so - 1} class:due={first + k === so}>
      {first + k < so ? t : ''}
    </li>
  {/each}
</ol>
{#if v.times}
  <h2>So far</h2>
  {#if v.sum}<p class="kid line">{v.sum}</p>{/if}
  <p class="kid line">{v.times}</p>
{/if}

<style>
  .tags {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    margin: 8px 0 10px;
    background: var(--paper);
    border-top: 1px solid var(--line);
    border-left: 1px solid var(--line);
  }
  .tags li {
    display: grid;
    place-items: center;
    height: 40px;
    border-right: 1px solid var(--line);
    border-bottom: 1px solid var(--line);
    font-size: 20px;
  }
  .tags .now {
    font-weight: 700;
  }
  .tags .due {
    outline: 2px dashed var(--leaf);
    outline-offset: -5px;
  }
  .line {
    font-size: 22px;
    line-height: 32px;
  }
  @media (max-width: 900px) and (min-width: 700.1px) {
    h2,
    .line {
      display: none;
    }
  }
</style>
