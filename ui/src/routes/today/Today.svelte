<script lang="ts">
  // The morning on one stem: the lesson in hand, the others that are open, and
  // one next action.
  import { onMount } from 'svelte';
  import { link, push } from 'svelte-spa-router';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import Next from '../../lib/parts/Next.svelte';
  import Written from '../../lib/parts/Written.svelte';
  import SumCord from '../../lib/pieces/SumCord.svelte';
  import { loadDesk, shared, view } from '../../lib/state.svelte';
  import type { LessonLink } from '../../lib/wire.gen';

  const desk = $derived(shared.desk!);
  const inHand = $derived(desk.inHand);
  const address = (l: LessonLink): string =>
    view(`${l.stand === 'gathering' ? 'gather' : 'mat'}/${l.id}`);

  const action = $derived(
    inHand
      ? { label: 'Go on', to: address(inHand) }
      : { label: 'Start a lesson', to: view('numbers') },
  );
  const go = (): void => void push(action.to);

  onMount(() => loadDesk(desk.class.id));
</script>

<svelte:window onkeydown={shortcuts({ space: () => shared.mayPresent && go() })} />

{#snippet bud(l: LessonLink, now: boolean)}
  <li class="lesson" class:now>
    <span class="node"></span>
    <a class="what" href={address(l)} use:link>
      <span class="small">{now ? `in your hand, since ${l.since}` : `open, since ${l.since}`}</span>
      <strong>{l.children.join(', ') || 'Rehearsal, with no children'}</strong>
      <span class="stage">{l.sum.stage.name}, with {l.material}</span>
      <span class="said">{l.said}</span>
    </a>
    <span class="sum">
      <SumCord sum={l.sum} pitch={now ? 38 : 30} s={now ? 0.85 : 0.66} />
      <Written numbers={l.sum.numbers} size={now ? 44 : 28} cell={now ? 38 : 24} />
    </span>
  </li>
{/snippet}

<Bench title="Today" keys={[['space', action.label.toLowerCase()]]} first="book">
  {#snippet shelf()}
    <h1>{desk.class.name}</h1>
    <p class="small">{desk.learners.length} children</p>
    <ul class="names">
      {#each desk.learners as child (child.id)}<li class="kid">{child.name}</li>{/each}
    </ul>
  {/snippet}
  {#snippet mat()}
    <div class="morning">
      <svg class="stem" width="60" height="100%" preserveAspectRatio="none" aria-hidden="true">
        <path d="M30 0V2000" stroke="var(--leaf)" stroke-width="2.6" fill="none" />
      </svg>
      <svg class="crown" width="60" height="44" viewBox="0 0 60 44" aria-hidden="true">
        <use href="#leaf" transform="translate(30 26) rotate(-30) scale(1.1)" />
        <use href="#leaf" transform="translate(30 34) rotate(-30) scale(-1.1 1.1)" />
      </svg>
      <h1 class="day">{desk.day}</h1>
      <ol>
        {#if inHand}{@render bud(inHand, true)}{/if}
        {#each desk.open as l (l.id)}{@render bud(l, false)}{/each}
        {#if !inHand && desk.open.length === 0}
          <li class="lesson none">
            <span class="node dashed"></span>
            <span class="what">
              <strong>No lesson in hand</strong>
              <span class="said">
                {shared.mayPresent
                  ? 'Choose numbers by the ' +
                    desk.words.swaps +
                    ' that they cause, gather the pieces, and work them on the mat.'
                  : 'Lessons that the guides open appear here.'}
              </span>
            </span>
          </li>
        {/if}
      </ol>
    </div>
  {/snippet}
  {#snippet book()}
    <h1>{inHand ? 'Next' : shared.mayPresent ? 'The first step' : 'Looking on'}</h1>
    {#if inHand}
      <p class="nextup">{inHand.next}</p>
      <p class="small">{inHand.sum.numbers.join(' + ')}, {inHand.sum.swaps}</p>
      {#if shared.mayPresent}
        <p class="other"><a href={view('numbers')} use:link>Choose other numbers</a></p>
      {/if}
    {:else if shared.mayPresent}
      <p class="nextup">A stage, or knots tied by hand; then the numbers are drawn for you.</p>
    {/if}
    {#if !shared.mayPresent}
      <p class="small role">You look on in this class: lessons can be read, not changed.</p>
    {/if}
  {/snippet}
  {#snippet foot()}
    {#if shared.mayPresent || inHand}<Next label={action.label} key="space" onclick={go} />{/if}
  {/snippet}
</Bench>

<style>
  .names {
    display: grid;
    grid-template-columns: 1fr 1fr;
    column-gap: var(--s3);
    margin-top: var(--s3);
  }
  .names li {
    padding: 9px 0 7px;
    line-height: 22px;
    border-bottom: 1px solid var(--line);
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .morning {
    position: relative;
    height: 100%;
    padding: 28px 28px 0 96px;
    overflow: auto;
  }
  .stem,
  .crown {
    position: absolute;
    left: 22px;
    top: 0;
  }
  .day {
    font-size: var(--t4);
    line-height: 36px;
    margin-bottom: var(--s4);
  }
  .lesson {
    position: relative;
    display: grid;
    grid-template-columns: 1fr auto;
    gap: var(--s5);
    padding: var(--s5) 0;
    border-top: 1px solid var(--line);
  }
  .node {
    position: absolute;
    left: -55px;
    top: 34px;
    width: 18px;
    height: 18px;
    border-radius: 50%;
    border: 2px solid var(--leaf);
    background: var(--paper);
  }
  .now .node {
    left: -57px;
    width: 22px;
    height: 22px;
    border-width: 4px;
  }
  .node.dashed {
    border-style: dashed;
  }
  .what {
    display: flex;
    flex-direction: column;
    gap: var(--s1);
    text-decoration: none;
  }
  .what strong {
    font-size: var(--t3);
    line-height: 26px;
    font-weight: 650;
  }
  .now .what strong {
    font-size: var(--t4);
    line-height: 34px;
  }
  a.what strong {
    color: var(--leaf);
  }
  .now a.what strong {
    color: var(--ink);
  }
  .stage {
    font-weight: 600;
  }
  .said {
    margin-top: var(--s2);
    font-size: var(--t3);
    line-height: 27px;
    color: var(--ink-2);
  }
  .sum {
    display: flex;
    flex-direction: column;
    align-items: flex-end;
    gap: var(--s1);
  }
  .nextup {
    margin: var(--s3) 0;
    font: 400 var(--t4) / 36px var(--kid);
  }
  .other {
    margin-top: var(--s4);
  }
  .other a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
    color: var(--leaf);
    font-weight: 600;
  }
  .role {
    margin-top: var(--s4);
  }
</style>
