<script lang="ts">
  // The mat of a number that is asked alone, or of what is laid with bars of beads.
  import { isOfBars } from '../../lib/alone';
  import type { Lesson } from '../../lib/wire.gen';
  import BarsScene from './bars/BarsScene.svelte';
  import OneScene from './one/OneScene.svelte';

  let props: {
    lesson: Lesson;
    index: number;
    material: string;
    w: number;
    h: number;
    bare?: boolean;
    large?: boolean;
    hands?: string;
    ontold?: () => void;
  } = $props();
</script>

{#if isOfBars(props.lesson.link.sum)}
  <BarsScene
    lesson={props.lesson}
    index={props.index}
    w={props.w}
    h={props.h}
    large={props.large}
  />
{:else}
  <OneScene {...props} />
{/if}
