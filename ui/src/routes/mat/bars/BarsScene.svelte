<script lang="ts">
  // The mat of what is laid with bars of beads: the component that its scene names.
  import type { Component } from 'svelte';
  import type { Lesson } from '../../../lib/wire.gen';
  import ChainScene from './ChainScene.svelte';
  import RodsScene from './RodsScene.svelte';
  import SnakeScene from './SnakeScene.svelte';

  let {
    lesson,
    index,
    w,
    h,
    large = false,
  }: { lesson: Lesson; index: number; w: number; h: number; large?: boolean } = $props();

  interface Shown {
    lesson: Lesson;
    index: number;
    w: number;
    h: number;
    large?: boolean; // for the last row of a class: what is asked stands below, large
  }
  const SCENES: Record<string, Component<Shown>> = {
    snake: SnakeScene,
    chain: ChainScene,
    'number-rods': RodsScene,
  };
  const Scene = $derived(SCENES[lesson.scene]);
  const MARGIN = 16;
</script>

<div class="room" style:inset="{MARGIN}px">
  {#if Scene}
    <Scene
      {lesson}
      index={Math.min(index, lesson.steps.length - 1)}
      w={w - 2 * MARGIN}
      h={h - 2 * MARGIN}
      {large}
    />
  {/if}
</div>

<style>
  .room {
    position: absolute;
  }
</style>
