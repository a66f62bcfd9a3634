<script lang="ts">
  // What the class is shown, for the guide alone; and who explains: proposed with the reason,
  // taken or passed by.
  import BarsRow from '../../lib/bars/BarsRow.svelte';
  import { isOfBars } from '../../lib/alone';
  import Glance from '../../lib/ones/Glance.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Written from '../../lib/parts/Written.svelte';
  import { shared } from '../../lib/state.svelte';
  import type { Lesson, Named, RoundNow, TurnSay, TurnTaken } from '../../lib/wire.gen';

  let {
    lesson,
    round,
    may,
    queue,
    explains,
    nameOf,
    says,
    ways,
    glances,
    kept,
    onagain,
    onturn,
    onpass,
    onway,
  }: {
    lesson: Lesson;
    round: RoundNow;
    may: boolean;
    queue: TurnSay[];
    explains?: TurnTaken;
    nameOf: (id: string) => string;
    says: string;
    ways: Named[];
    glances: string[];
    kept: boolean;
    onagain: () => void;
    onturn: (id: string) => void;
    onpass: () => void;
    onway: (way: string) => void;
  } = $props();

  const NEAR = 3;
  const WAYS = 6;
  const sum = $derived(lesson.link.sum);
</script>

<h1>{round.flash ? 'Flash' : lesson.card ? 'Card' : 'Shown'}</h1>
<p class="small">
  {#if sum.one}{sum.one.shownName}{round.flash ? `, ${round.flash.says}` : ''}{/if}
</p>
<div class="picture private">
  {#if sum.one}
    <Glance one={sum.one} material={lesson.link.material} size={1.15} />
  {:else if isOfBars(sum)}
    <BarsRow {sum} width={160} />
  {:else if lesson.card}
    <span class="kid">{lesson.card}</span>
  {:else if lesson.spot}
    <span>{sum.said}</span>
  {:else}
    <Written numbers={sum.numbers} sign={sum.sign} size={30} cell={24} />
  {/if}
</div>
{#if sum.one?.rack && sum.one.answered === 'push'}<p class="small private">
    {sum.one.number}: {sum.one.rack.pushes}
  </p>{/if}
{#if glances.length}<p class="small">{glances.slice(0, 2).join('; ')}</p>{/if}
{#if round.flash && may && round.shown > 0}
  <p class="again"><Plain onclick={onagain}>Show it again</Plain></p>
{/if}

<h1 class="who">Who explains</h1>
{#if explains}
  <button
    class="turn now"
    aria-pressed="true"
    disabled={!may || kept}
    onclick={() => onturn(explains.learner)}
  >
    <span class="kid private">{nameOf(explains.learner)}</span> <span class="small">explains</span>
  </button>
{/if}
{#if !kept}
  {#each queue.slice(0, explains ? NEAR - 1 : NEAR) as t (t.id)}
    <button class="turn" disabled={!may} onclick={() => onturn(t.id)}>
      <span class="kid private">{t.name}</span> <span class="small">{t.says}</span>
    </button>
  {/each}
  {#if may && (queue.length || explains)}
    <button class="act" onclick={onpass}
      >Pass {explains || queue[0] ? 'by' : ''}<span class="private"
        >&nbsp;{shared.covered ? '' : nameOf(explains?.learner ?? queue[0]!.id)}</span
      ></button
    >
  {/if}
{/if}
<p class="small">{says}</p>
{#if explains && ways.length && may && !kept}
  <h2 class="saw">How it was seen</h2>
  <div class="ways" role="group" aria-label="How it was seen">
    {#each ways.slice(0, WAYS) as way (way.id)}
      <button aria-pressed={explains.way === way.id} onclick={() => onway(way.id)}
        >{way.name}</button
      >
    {/each}
  </div>
{/if}

<style>
  .picture {
    display: grid;
    place-items: center;
    min-height: 72px;
    margin: 6px 0;
    padding: 6px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    overflow: hidden;
  }
  .again {
    display: grid;
    margin-top: 4px;
  }
  .who {
    margin-top: var(--s3);
  }
  .turn {
    display: flex;
    flex-direction: column;
    justify-content: center;
    min-height: 44px;
    margin: 0 -20px 0 -20px;
    padding: 2px 16px 2px 20px;
    line-height: 19px;
  }
  .turn.now {
    border-left: 4px solid var(--leaf);
    padding-left: 16px;
    background: var(--leaf-tint);
    font-weight: 700;
  }
  .saw {
    margin-top: 8px;
  }
  .ways {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 4px;
  }
  .ways button {
    min-height: 44px;
    padding: 2px 5px;
    border: 1.5px solid var(--line);
    border-radius: var(--r2);
    font-size: var(--t1);
    line-height: 16px;
    text-align: center;
  }
  .ways [aria-pressed='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 650;
  }
</style>
