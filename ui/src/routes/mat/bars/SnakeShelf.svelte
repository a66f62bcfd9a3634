<script lang="ts">
  // What stands on the shelf of a snake: the golden bars, the remainder bars, and the bars of
  // the stairs; those that are out are dashed.
  import Lying from '../../../lib/bars/Lying.svelte';
  import Sides from '../../../lib/parts/Sides.svelte';
  import type { Lesson } from '../../../lib/wire.gen';
  import Timing from '../one/Timing.svelte';
  import { numbers } from './numbers.svelte';

  let { lesson, index, may }: { lesson: Lesson; index: number; may: boolean } = $props();
  /** Whose time is taken: the child who begins. */
  const child = $derived(lesson.children[lesson.steps[0]?.turn ?? -1]);

  const snake = $derived(lesson.link.sum.snake!);
  const step = $derived(lesson.steps[index]!);
  const v = $derived(step.snake!);
  const out = $derived(v.golden + (v.in || v.beneath ? 1 : 0));
  const lies = $derived(v.remain || v.old);
  /** An old remainder bar came home in this step. */
  const home = $derived(index > 0 && !v.old ? (lesson.steps[index - 1]!.snake?.old ?? 0) : 0);
  const nth = ['', 'the first', 'the second', 'the third', 'the fourth', 'the fifth'];
  const goldSays = $derived(out ? (nth[out] ? `${nth[out]} is out` : `${out} are out`) : '');
  const inSnake = $derived(snake.bars.length - v.aside);
</script>

<h1>Shelf</h1>
<h2>Golden tens</h2>
<div class="row">
  {#each { length: snake.golden }, i (i)}
    <Lying
      n={10}
      kind="golden"
      u={5}
      upright
      out={i >= snake.golden - out ? 'var(--tens-ink)' : ''}
    />
  {/each}
</div>
<p class="board small">
  <span>bars of ten</span>{#if goldSays}<b>{goldSays}</b>{/if}
</p>
<h2>Remainder bars</h2>
<div class="row stair">
  {#each { length: 9 }, i (i)}
    <Lying
      n={i + 1}
      kind="remainder"
      u={8.4}
      upright
      cased={false}
      out={lies === i + 1 ? 'var(--leaf)' : ''}
    />
  {/each}
</div>
<p class="board small">
  <span>{home ? `${home} comes home` : ''}</span>{#if lies}<b>{lies} is out</b>{/if}
</p>
<h2>Bars of the stairs</h2>
<p class="small">
  {v.aside} aside, {inSnake} in the snake
</p>
{#if may && child}
  {#key child.id}
    <Timing
      id={lesson.link.id}
      nth={lesson.link.nth}
      {child}
      says="Time of each run"
      begin="Take the time"
      again="Once more"
    />
  {/key}
{/if}
<div class="numbers">
  <h2 id="under">Numbers under the beads</h2>
  <Sides
    labelledby="under"
    sides={[
      { value: 'shown', name: 'shown' },
      { value: 'hidden', name: 'hidden' },
    ]}
    now={numbers.shown ? 'shown' : 'hidden'}
    onset={(side) => numbers.set(side === 'shown')}
  />
</div>

<style>
  h2 {
    margin: 10px 0 4px;
  }
  .row {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
    gap: 5px;
    min-height: 56px;
  }
  .stair {
    gap: 9px;
    height: 84px;
  }
  .board {
    display: flex;
    justify-content: space-between;
    margin-top: 2px;
    padding-top: 2px;
    border-top: 3px solid var(--wood);
    min-height: 24px;
    color: var(--ink);
  }
  .board b {
    color: var(--leaf);
  }
  .numbers {
    margin-top: auto;
  }
</style>
