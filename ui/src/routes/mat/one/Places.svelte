<script lang="ts">
  // A number alone, from 100 on: the pieces of each place on one tray, its cards on the rim.
  // They lie apart until they are slid together.
  import { shared } from '../../../lib/state.svelte';
  import type { Lesson, One } from '../../../lib/wire.gen';
  import Scene from '../Scene.svelte';

  let {
    lesson,
    one,
    index,
    material,
    w,
    h,
  }: { lesson: Lesson; one: One; index: number; material: string; w: number; h: number } = $props();

  const kinds = $derived(one.shown === 'kinds' || one.shown === 'ten-of');
  const laid = $derived(material === 'drawings' && !kinds ? 'beads' : material);
</script>

<div class="places" style:width="{w}px" style:height="{h}px" data-one="places">
  <Scene
    {lesson}
    {index}
    material={one.drawn ? 'drawings' : laid}
    words={shared.words}
    {w}
    {h}
    apart={lesson.steps[index]!.kind === 'label'}
  />
</div>

<style>
  .places {
    position: relative;
    overflow: auto;
  }
</style>
