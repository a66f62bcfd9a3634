<script lang="ts">
  // 45 sticks in the child's hands: each touch lays one, and a miscount shows in the last box.
  import Plain from '../../../lib/parts/Plain.svelte';
  import Sides from '../../../lib/parts/Sides.svelte';
  import type { One } from '../../../lib/wire.gen';
  import Acts from './Acts.svelte';
  import BoxSet from './BoxSet.svelte';
  import { LAST, Sorting } from './sorting.svelte';

  let {
    one,
    kept,
    w,
    h,
    ontold,
  }: { one: One; kept: string; w: number; h: number; ontold: () => void } = $props();

  // svelte-ignore state_referenced_locally
  const hands = new Sorting(kept, one.number, one.boxes!);
  const WAYS = [
    { value: '1', name: 'Put one in' },
    { value: '-1', name: 'Take one out' },
  ];
  let way = $state('1');
  const wrong = $derived(hands.looked && !hands.right);
  function look(): void {
    hands.look();
    if (wrong) ontold();
  }
  let foot = $state(116);
  const LOW = 300; // lower than this they scroll
</script>

<div class="sorted" style:width="{w}px" style:height="{h}px">
  <BoxSet
    boxes={hands.boxes}
    heap={hands.heap}
    now={hands.looked ? LAST : undefined}
    {w}
    h={Math.max(LOW, h - foot)}
    hands={{
      to: (box, by) => hands.move(box, by ?? (way === '1' ? 1 : -1)),
      missing: hands.looked && hands.heap === 0 ? Math.max(0, LAST - hands.boxes[LAST]!) : 0,
      counts: hands.counted,
    }}
  />
  <div bind:clientHeight={foot}>
    <Acts says={hands.says} {wrong}>
      <Sides label="A touch on a box" sides={WAYS} now={way} onset={(to) => (way = to)} />
      <Plain disabled={!hands.touched} onclick={() => hands.undo()}>Undo</Plain>
      <Plain disabled={hands.heap === one.number} onclick={() => hands.clear()}
        >All to the heap</Plain
      >
      <Plain disabled={hands.heap === one.number} onclick={look}>Look at the 9</Plain>
      {#if wrong || hands.counted}
        <Plain pressed={hands.counted} onclick={() => (hands.counted = !hands.counted)}
          >Count each box</Plain
        >
      {/if}
    </Acts>
  </div>
</div>

<style>
  .sorted {
    overflow-y: auto;
  }
</style>
