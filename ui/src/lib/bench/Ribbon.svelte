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
  let ribbon = $state<HTMLElement>();
  $effect(() => {
    if (!ribbon || ribbon.scrollWidth <= ribbon.clientWidth) return;
    const before = ribbon.scrollWidth - width;
    ribbon.scrollLeft = mark ? before + at(mark) - ribbon.clientWidth / 2 : 0;
  });
  /** A long problem stands in two lines, broken before a sign. */
  const long = $derived((lesson?.sum.said.length ?? 0) > 13);
  const breaking = $derived(lesson?.sum.said.replaceAll(/\u00a0(?=[+−×÷])/g, ' '));
  const href = $derived(lesson ? view(lessonAddress(lesson)) : '');
</script>

<!-- Where it is wider than the window it scrolls, with the step in hand in sight. -->
<section class="ribbon" aria-label="Lesson in hand" bind:this={ribbon}>
  {#if lesson}
    <a {href} use:link>
      <span class="sum" class:long>{long ? breaking : lesson.sum.said}</span>
      <span class="about">
        <span class="what">{lesson.sum.stage.name}{lesson.with ? `, ${lesson.with}` : ''}</span>
        <span class="who" class:private={lesson.children.length > 0}
          >{lesson.stand === 'ended' ? 'ended: ' : ''}{lesson.whole
            ? 'the whole class'
            : lesson.children.join(' · ') || 'practice, no children'}</span
        >
      </span>
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
    box-shadow:
      inset 0 1px var(--line),
      inset 0 -1px var(--line);
    overflow: hidden;
  }
  a {
    display: flex;
    align-items: center;
    gap: var(--s3);
    flex: 1;
    min-width: 0;
    min-height: 44px;
    white-space: nowrap;
    text-decoration: none;
  }
  a:focus-visible {
    outline-offset: -4px;
  }
  .none {
    font-size: var(--t1);
    color: #46524b;
  }
  .about {
    display: flex;
    flex-direction: column;
    min-width: 0;
    font-size: var(--t1);
    line-height: 18px;
  }
  .sum,
  .what,
  .who {
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  /* The numbers are read whole. */
  .sum {
    flex: none;
    max-width: 60%;
    font: 700 var(--t3) / 42px var(--kid);
  }
  .sum.long {
    max-width: 230px;
    font-size: var(--t1);
    line-height: 18px;
    white-space: normal;
  }
  .what {
    font-weight: 600;
  }
  .stem {
    position: relative;
    flex: none;
    height: 44px;
  }
  svg {
    width: 100%;
  }
  button {
    position: absolute;
    top: 0;
    height: 44px;
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
    .about {
      display: none;
    }
  }
  @media (max-width: 900px) {
    a {
      flex: none;
      max-width: 212px;
    }
    .sum,
    .sum.long {
      max-width: 100%;
    }
    .ribbon {
      overflow-x: auto;
      scrollbar-width: none;
    }
  }
  @media (max-width: 700px) {
    .ribbon {
      display: block;
      height: auto;
      padding: 0 14px;
      overflow-x: auto;
    }
    .none {
      line-height: 36px;
    }
    a {
      position: sticky;
      left: 0;
      width: 100%;
      max-width: none;
    }
    .about {
      display: flex;
      white-space: normal;
    }
    .what,
    .who {
      overflow: visible;
    }
  }
</style>
