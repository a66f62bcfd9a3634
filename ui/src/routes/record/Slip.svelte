<script lang="ts">
  // What a wrong answer means, for the adult alone: the slip in plain words, what to look
  // for, and the step with material that helps.
  import type { Gave, SlipSays } from '../../lib/wire.gen';
  import { shared } from '../../lib/state.svelte';

  let {
    gave,
    says,
    answer,
    onstep,
  }: {
    gave: Gave;
    says: Record<string, SlipSays>;
    answer: string;
    onstep?: () => void; // goes to the step that helps; none where the mat has another task
  } = $props();

  const name = (ids: string[]): string => ids.map((id) => says[id]?.says ?? '').join('; and ');
  const first = $derived(gave.slips[0]!.map((id) => says[id]!));
</script>

<section class="slip" aria-label="What {answer} means">
  <div>
    <h2>{name(gave.slips[0]!)}</h2>
    {#each first as s (s.says)}{#if s.own}<p class="own">we call it “{s.own}”</p>{/if}{/each}
    <p>
      {#each gave.slips.slice(1) as ids (ids.join())}Or: {name(ids)}.&nbsp;{/each}
      {gave.shows}
      {#if gave.slips.length === 1 && !answer.includes(', ')}No other slip gives {answer}.{/if}
      {#if gave.slips.length === 1 && gave.fewer}It lacks {gave.fewer}.{/if}
    </p>
  </div>
  <div>
    <h3 class="small">Look for</h3>
    {#each first as s (s.look)}<p>{s.look}</p>{/each}
  </div>
  <div>
    <h3 class="small">The step that helps</h3>
    {#each first as s (s.helps)}<p>{s.helps}</p>{/each}
    {#if gave.at && onstep}
      <button onclick={onstep}
        >{gave.stepSays}{#if shared.signs}<span class="key" aria-hidden="true">l</span>{/if}</button
      >
    {/if}
  </div>
</section>

<style>
  .slip {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 8px 28px;
    min-height: 172px;
    padding: 12px 28px 14px;
    border-top: 1px solid var(--line);
    background: var(--sheet);
    font-size: var(--t1);
    line-height: 20px;
  }
  h2 {
    color: var(--clay-ink);
    font-size: var(--t2);
    line-height: 22px;
  }
  h2::first-letter {
    text-transform: uppercase;
  }
  h3 {
    font-weight: 650;
  }
  .own {
    color: var(--plum);
    font-weight: 650;
  }
  p {
    margin-top: 4px;
  }
  button {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 12px;
    width: 100%;
    min-height: 44px;
    margin-top: 8px;
    padding: 0 14px;
    border: 1.5px solid var(--leaf);
    border-radius: var(--r2);
    background: var(--paper);
    color: var(--leaf);
    font-weight: 650;
    text-align: left;
  }
  button:hover {
    background: var(--leaf-tint);
  }
  .key {
    padding: 0 8px 1px;
    border: 1.5px solid currentcolor;
    border-top: 0;
    border-radius: 0 0 var(--r2) var(--r2);
    font-weight: 500;
    line-height: 18px;
  }
  @media (max-width: 700px) {
    .slip {
      grid-template-columns: 1fr;
    }
  }
</style>
