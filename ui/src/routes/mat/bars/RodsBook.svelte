<script lang="ts">
  // The book of number rods: what lies beside one another, as a sum.
  import type { Lesson } from '../../../lib/wire.gen';

  let { lesson, index }: { lesson: Lesson; index: number } = $props();

  const rods = $derived(lesson.link.sum.rods!);
  const v = $derived(lesson.steps[index]!.rods!);
  const order = $derived(rods.asks === 'order');
  const said = (there: boolean, n: number): string => (there ? String(n) : '');
</script>

<h1>{rods.ask}</h1>
{#if !order}
  <p class="sum kid">
    <span class:gap={!v.above.length}>{said(v.above.length > 0, rods.first)}</span> +
    <span class:gap={v.above.length < 2}>{said(v.above.length > 1, rods.second)}</span> =
    <b class:gap={!v.under}>{said(v.under > 0, rods.long)}</b>
  </p>
{/if}

<style>
  .sum {
    margin: 10px 0;
    padding: 8px;
    background: var(--paper);
    font-size: 34px;
    line-height: 44px;
    text-align: center;
  }
  .gap {
    display: inline-block;
    width: 1.2em;
    height: 1em;
    border: 2px dashed var(--leaf);
    border-radius: var(--r2);
    vertical-align: -0.1em;
  }
</style>
