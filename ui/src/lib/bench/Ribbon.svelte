<script lang="ts">
  // The lesson in hand, wherever one is: numbers, stage, children, and its
  // steps as the nodes of one stem. It leads back to the lesson.
  import { link } from 'svelte-spa-router';
  import { lessonAddress, shared, view } from '../state.svelte';
  import type { LessonLink } from '../wire.gen';

  let {
    lesson = shared.desk?.inHand,
    mark = lesson?.mark ?? 0,
    onmark,
  }: {
    lesson?: LessonLink;
    mark?: number;
    onmark?: (at: string) => void; // goes to the step that a node begins with
  } = $props();

  const PITCH = 66;
  const NEAR = 26;
  const width = $derived((lesson?.ribbon.length ?? 0) * PITCH);
  const at = (i: number): number => NEAR + i * PITCH;
  const href = $derived(lesson ? view(lessonAddress(lesson)) : '');
</script>

<section class="ribbon" aria-label="Lesson in hand">
  {#if lesson}
    <a {href} use:link>
      <span class="in">{lesson.stand === 'ended' ? 'Ended' : 'In hand'}</span>
      <span class="sum">{lesson.sum.said}</span>
      <span class="what"
        >{lesson.sum.stage.name}, with {lesson.sum.laidOut ? lesson.material : 'cards'}</span
      >
      <span class="who">{lesson.children.join(' · ') || 'practice, no children'}</span>
    </a>
    <div class="stem" style:width="{width}px">
      <svg
        height="42"
        viewBox="0 0 {width} 42"
        role="img"
        aria-label="Step: {lesson.ribbon[mark]?.name}"
      >
        <path d="M4 15H{at(mark)}" stroke="var(--leaf)" stroke-width="3" stroke-linecap="round" />
        <path
          d="M{at(mark)} 15H{at(lesson.ribbon.length - 1)}"
          stroke="var(--leaf)"
          stroke-width="1.6"
          stroke-dasharray="1 5"
          stroke-linecap="round"
        />
        {#each lesson.ribbon as node, i (i)}
          {#if i < mark}
            <use href="#leaf" transform="translate({at(i) - 2} 14) rotate(-20) scale(.56)" />
            <circle cx={at(i)} cy="15" r="3.4" fill="var(--leaf)" />
          {:else if i === mark}
            <circle
              cx={at(i)}
              cy="15"
              r="7"
              fill="var(--paper)"
              stroke="var(--leaf)"
              stroke-width="3"
            />
            <circle cx={at(i)} cy="15" r="2.4" fill="var(--leaf)" />
          {:else}
            <circle
              cx={at(i)}
              cy="15"
              r="3.8"
              fill="var(--leaf-tint)"
              stroke="var(--leaf)"
              stroke-width="1.5"
            />
          {/if}
          <text
            x={at(i)}
            y="37"
            text-anchor="middle"
            class:now={i === mark}
            class:near={Math.abs(i - mark) <= 1}>{node.name}</text
          >
        {/each}
      </svg>
      {#if onmark}
        {#each lesson.ribbon as node, i (i)}
          {#if node.at}
            <button
              aria-label="Go to {node.name}"
              style:left="{((at(i) - PITCH / 2) / width) * 100}%"
              style:width="{(PITCH / width) * 100}%"
              onclick={() => onmark(node.at)}
            ></button>
          {/if}
        {/each}
      {/if}
    </div>
  {:else}
    <p class="none">No lesson in hand</p>
  {/if}
</section>

<style>
  .ribbon {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--s4);
    height: 44px;
    padding: 0 var(--s4) 0 20px;
    background: var(--leaf-tint);
    border-block: 1px solid var(--line);
    overflow: hidden;
  }
  a {
    display: flex;
    align-items: baseline;
    gap: var(--s3);
    min-width: 0;
    line-height: 42px;
    white-space: nowrap;
    text-decoration: none;
  }
  a:focus-visible {
    outline-offset: -4px;
  }
  .in,
  .none {
    font-size: var(--t1);
    color: #46524b;
  }
  .sum,
  .what,
  .who {
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  /* The numbers are read whole, the names before the stage. */
  .sum {
    flex: none;
    max-width: 60%;
    font: 700 var(--t3) / 42px var(--kid);
  }
  .what {
    flex-shrink: 9;
    font-weight: 600;
  }
  .who {
    flex-shrink: 2;
  }
  .stem {
    position: relative;
    flex: none;
    height: 42px;
  }
  svg {
    width: 100%;
  }
  button {
    position: absolute;
    top: 0;
    height: 42px;
    border-radius: var(--r2);
  }
  button:hover {
    background: color-mix(in srgb, var(--leaf) 12%, transparent);
  }
  button:focus-visible {
    outline-offset: -3px;
  }
  text {
    font: 400 var(--t1) var(--text);
    fill: #46524b;
  }
  text.now {
    font-weight: 700;
    fill: var(--ink);
  }
  @media (max-width: 1100px) {
    .who,
    .in {
      display: none;
    }
  }
  @media (max-width: 900px) {
    a {
      flex: none;
      max-width: 212px;
    }
    .what {
      display: none;
    }
    .sum {
      max-width: 100%;
    }
    .stem {
      flex: 0 1 600px;
      min-width: 520px;
    }
  }
</style>
