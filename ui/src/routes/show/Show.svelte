<script lang="ts">
  // The class's window on the projector: what the guide shows, large, and no name of a child.
  import { askedOf, isAlone } from '../../lib/alone';
  import { onMount, untrack } from 'svelte';
  import Logo from '../../lib/parts/Logo.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import Column from '../../lib/pieces/Column.svelte';
  import type { Lesson, Sheet, Step } from '../../lib/wire.gen';
  import Slate from '../slates/Slate.svelte';
  import { Flasher } from './flash.svelte';
  import { ClassWindow } from './window.svelte';
  import Worked from './Worked.svelte';

  let { code = '' }: { code?: string } = $props();

  const open = new ClassWindow();
  const flasher = new Flasher();
  let typed = $state('');
  let w = $state(0);
  let h = $state(0);

  const lesson = $derived<Lesson | undefined>(open.state?.lesson);
  const moment = $derived(open.moment);
  const words = $derived(open.state?.words);
  const round = $derived(lesson?.round);
  const pace = $derived(moment?.pace ?? '');
  const says = $derived(round?.paces.find((p) => p.id === pace)?.says ?? '');
  const index = $derived(Math.max(0, lesson?.steps.findIndex((s) => s.at === moment?.at) ?? 0));
  const step = $derived<Step | undefined>(lesson?.steps[index]);
  /** One explains what was pushed over, as it stands on the rack. */
  const pushed = $derived(
    pace === 'explain' ? (lesson?.steps.findLastIndex((s) => s.kind === 'push-row') ?? -1) : -1,
  );
  /** The work is shown step by step: at the mat always, with a class when all count together. */
  const works = $derived(!!lesson && (!round || pace === 'together'));
  /** A flash is covered but while it is shown, and when one explains it. */
  const covered = $derived(!!round?.flash && !flasher.on && !works && pace !== 'explain');
  const wiped = $derived(pace === 'wipe');
  const sheet = $derived<Sheet | undefined>(step?.sheet);
  const places = $derived.by(() => {
    const all = words?.places.map((p) => p.id) ?? [];
    const top = all.indexOf(lesson?.top ?? '');
    return all.slice(0, top + 1).reverse();
  });
  const problem = $derived(
    !!lesson &&
      !isAlone(lesson.link.sum) &&
      !lesson.card &&
      !lesson.spot &&
      lesson.steps.length > 0,
  );
  const written = $derived(works && problem && step?.kind !== 'estimate' && !!sheet?.marks.length);
  /** The column takes a third of the window at most. */
  const rows = $derived((sheet?.over ?? 0) + (sheet?.numbers ?? 0) + 2);
  let tall = $state(0);
  let wide = $state(0);
  const cell = $derived(
    Math.min((wide * 0.34) / (places.length + 1.3), (tall * 0.7) / (rows * 1.15), 150),
  );

  // What was shown before the window was opened is over; what comes is shown.
  let done = { lesson: '', nth: -1, shown: 0 };
  $effect(() => {
    if (!moment) return;
    const { lesson: id, nth, shown } = moment;
    untrack(() => {
      if (id !== done.lesson || nth !== done.nth) {
        done = { lesson: id, nth, shown: open.over };
        flasher.fresh();
        if (open.over > 0) flasher.was = true;
      }
      if (shown > done.shown && round?.flash) flasher.show(round.flash);
      done.shown = shown;
    });
  });
  $effect(() => {
    if (pace && pace !== 'look') untrack(() => flasher.cover());
  });

  onMount(() => {
    void open.open(code || undefined);
    return () => open.close();
  });
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    void open.open(typed.trim());
  };
</script>

<svelte:head><title>Vine Swap</title></svelte:head>

<main
  class="window"
  data-window
  data-flash={flasher.on ? 'on' : 'off'}
  data-lesson={lesson?.link.id ?? ''}
  data-at={moment?.at ?? ''}
  data-pace={pace}
  data-nth={moment?.nth ?? -1}
  data-revision={moment?.revision ?? 0}
  bind:clientHeight={tall}
  bind:clientWidth={wide}
>
  {#if !open.state}
    <form onsubmit={submit}>
      <div class="mark"><Logo width={150} /></div>
      <label for="code">The code on the teacher’s screen</label>
      <input
        id="code"
        class="kid"
        autocomplete="off"
        autocapitalize="none"
        spellcheck="false"
        maxlength="12"
        bind:value={typed}
        aria-describedby={open.trouble ? 'code-trouble' : undefined}
      />
      {#if open.trouble}<Wrong trouble={open.trouble} id="code-trouble" />{/if}
      <button type="submit">Open the window</button>
    </form>
  {:else if !lesson || !words}
    <div class="rest"><Logo width={Math.min(420, wide * 0.3)} /></div>
  {:else}
    <div class="body" class:written>
      <div class="room" bind:clientWidth={w} bind:clientHeight={h}>
        {#if w > 0 && h > 0}
          {#if wiped}
            <div class="cloth">
              {#if !round?.laid}<Slate text="" height={h * 0.42} />{/if}
            </div>
          {:else}
            <!-- What is covered lies ready, so that it is shown in one frame. -->
            <div class="work" class:covered>
              <Worked
                {lesson}
                index={pushed < 0 ? index : pushed}
                {words}
                {w}
                {h}
                found={pace === 'together'}
                bare={!!round && pace !== 'together'}
                large
              />
            </div>
            {#if covered}
              <div class="cloth" data-covered>
                <svg viewBox="0 0 300 210" height={h * 0.9} aria-hidden="true">
                  <rect class="rod" x="18" y="6" width="264" height="13" rx="6.5" />
                  <path
                    class="curtain"
                    d="M30 19H270V196q-20 8 -40 0t-40 0t-40 0t-40 0t-40 0t-40 0z"
                  />
                  <path class="hem" d="M30 184H270" />
                  <rect class="slate" x="118" y="72" width="64" height="48" rx="5" />
                  <path class="pen" d="M150 104l24 -34l7 5l-23 35l-9 3z" />
                </svg>
              </div>
            {/if}
          {/if}
        {/if}
      </div>
      {#if written}
        <div class="column">
          <Column
            {places}
            words={words.places}
            sheet={sheet!}
            due={[]}
            now={step?.place ?? ''}
            names={{}}
            {cell}
            size={cell * 0.82}
          />
        </div>
      {/if}
    </div>
    <p class="says kid" data-said>
      <span
        >{#if works && step && !lesson.spot}
          {#each step.says as span, i (i)}{#if span.place}<b style:color="var(--{span.place}-ink)"
                >{span.text}</b
              >{:else}{span.text}{/if}{/each}
        {:else if lesson.spot && pace === 'together'}
          {lesson.spot.planted === 'none' ? lesson.spot.says : `Look at ${lesson.spot.planted}.`}
        {:else if lesson.spot && pace === 'look'}
          {lesson.link.sum.said}
        {:else if lesson.card && pace === 'look'}
          &nbsp;
        {:else if round?.flash && pace === 'look'}
          {flasher.on ? ' ' : flasher.was ? 'What did you see?' : says}
        {:else if isAlone(lesson.link.sum) && pace === 'look'}
          {askedOf(lesson.link.sum)}
        {:else}
          {says}
        {/if}</span
      >
    </p>
    {#if round && lesson.link.tasks > 1}
      <svg
        class="stem"
        viewBox="0 -3 {lesson.link.tasks * 40} 26"
        height={tall * 0.028}
        role="img"
        aria-label={open.state.progress.name}
      >
        {#each { length: lesson.link.tasks }, i (i)}
          <circle
            cx={20 + i * 40}
            cy="10"
            r={i === moment?.nth ? 9 : 6}
            class:past={i < (moment?.nth ?? 0)}
            class:now={i === moment?.nth}
          />
        {/each}
      </svg>
    {/if}
  {/if}
  {#if open.state && !open.heard}<p class="away" role="status">Connecting again …</p>{/if}
</main>

<style>
  .window {
    position: fixed;
    inset: 0;
    display: flex;
    flex-direction: column;
    background: var(--sheet);
    overflow: hidden;
  }
  form {
    display: grid;
    gap: 14px;
    width: min(460px, 90vw);
    margin: 14vh auto 0;
    font-size: var(--t3);
  }
  .mark {
    justify-self: center;
  }
  input {
    height: 72px;
    border: 2px solid var(--edge);
    border-radius: var(--r2);
    background: var(--card);
    font-size: 40px;
    letter-spacing: 0.12em;
    text-align: center;
  }
  form button {
    min-height: 64px;
    border-radius: var(--r2);
    background: var(--leaf);
    color: var(--on-leaf);
    font-weight: 650;
    text-align: center;
  }
  .rest {
    display: grid;
    place-items: center;
    height: 100%;
  }
  .body {
    flex: 1;
    display: grid;
    grid-template-columns: 1fr;
    min-height: 0;
  }
  .body.written {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .room {
    position: relative;
    min-width: 0;
    min-height: 0;
    overflow: hidden;
  }
  .column {
    display: grid;
    align-content: center;
    padding: 0 2vw;
    background: var(--paper-2);
  }
  .work {
    height: 100%;
  }
  .work.covered {
    visibility: hidden;
  }
  .cloth {
    position: absolute;
    inset: 0;
    display: grid;
    place-items: center;
  }
  .rod {
    fill: #a9bfa3;
    stroke: var(--leaf);
  }
  .curtain {
    fill: var(--leaf-tint);
    stroke: var(--leaf);
    stroke-width: 1.5;
  }
  .hem {
    fill: none;
    stroke: var(--leaf);
    stroke-dasharray: 2 5;
  }
  .slate {
    fill: var(--sheet);
    stroke: var(--edge);
    stroke-width: 2;
  }
  .pen {
    fill: var(--card);
    stroke: var(--ink);
    stroke-width: 1.6;
    stroke-linejoin: round;
  }
  /* At least a twentieth of the window's height, for the last row. */
  .says {
    display: grid;
    place-items: center;
    min-height: 14vh;
    padding: 0.6vh 3vw 1vh;
    font-size: max(5.6vh, 24px);
    line-height: 1.18;
    text-align: center;
    text-wrap: balance;
    white-space: pre-wrap;
    border-top: 1.5px solid var(--line);
  }
  .stem {
    flex: none;
    align-self: center;
    margin: 0 0 1.2vh;
  }
  .stem circle {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 2.5;
  }
  .stem .past {
    fill: var(--leaf);
  }
  .stem .now {
    stroke-width: 5;
  }
  .away {
    position: absolute;
    right: 12px;
    top: 10px;
    padding: 4px 12px;
    border: 2px dashed var(--clay);
    border-radius: var(--r2);
    background: var(--paper);
    color: var(--clay-ink);
  }
</style>
