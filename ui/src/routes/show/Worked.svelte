<script lang="ts">
  // A task on the mat at one of its steps, whatever kind it is: for the class's window, and
  // for the guide while all count together.
  import { inTurn } from '../../lib/frames.svelte';
  import type { Lesson, Words } from '../../lib/wire.gen';
  import CardScene from '../mat/CardScene.svelte';
  import { isAlone } from '../../lib/alone';
  import Alone from '../mat/Alone.svelte';
  import Scene from '../mat/Scene.svelte';
  import Examples from './Examples.svelte';

  let {
    lesson,
    index,
    words,
    w,
    h,
    found = false,
    bare = false,
    large = false,
  }: {
    lesson: Lesson;
    index: number;
    words: Words;
    w: number;
    h: number;
    bare?: boolean; // the picture of a number alone
    large?: boolean; // for the last row of a class
    found?: boolean; // where the slip is, is shown
  } = $props();

  const material = $derived(lesson.link.material);
  const step = $derived(lesson.steps[index]);
  const at = inTurn(() => index, ...(['trays', 'cards', 'marks'] as const));
</script>

{#if lesson.card}
  <p class="card kid" style:font-size="{Math.min(h * 0.16, w * 0.075)}px">{lesson.card}</p>
{:else if lesson.spot}
  <Examples spot={lesson.spot} {words} {w} {h} {found} />
{:else if isAlone(lesson.link.sum)}
  <Alone {lesson} {index} {material} {w} {h} {bare} {large} />
{:else if step?.kind === 'estimate' || !lesson.steps.length}
  <p
    class="sum kid"
    style:font-size="{Math.min(h * 0.3, (w * 1.5) / lesson.link.sum.said.length)}px"
  >
    {lesson.link.sum.said}
  </p>
{:else if lesson.needs.alone}
  <CardScene {lesson} {index} {words} {w} {h} />
{:else}
  <Scene {lesson} {index} {at} {material} {words} {w} {h} />
{/if}

<style>
  .card,
  .sum {
    display: grid;
    place-items: center;
    height: 100%;
    padding: 0 5%;
    line-height: 1.3;
    text-align: center;
    text-wrap: balance;
  }
</style>
