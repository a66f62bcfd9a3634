<script lang="ts">
  // The morning on one stem: the lesson in hand, the others that are open, and
  // one next action.
  import BarsRow from '../../lib/bars/BarsRow.svelte';
  import { isOfBars } from '../../lib/alone';
  import { onMount } from 'svelte';
  import { link, push } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import Next from '../../lib/parts/Next.svelte';
  import Written from '../../lib/parts/Written.svelte';
  import Sign from '../../lib/pieces/Sign.svelte';
  import { LessonInHand } from '../../lib/lesson.svelte';
  import SumCord from '../../lib/pieces/SumCord.svelte';
  import {
    classPath,
    guarded,
    lessonAddress,
    loadDesk,
    shared,
    troubleOf,
    view,
  } from '../../lib/state.svelte';
  import type {
    LessonDay,
    LessonLink,
    Meeting,
    Off,
    Today as Morning,
    Trouble,
    Week,
  } from '../../lib/wire.gen';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import Bud from './Bud.svelte';
  import Done from './Done.svelte';
  import { FirstDay } from './first.svelte';
  import FirstLesson from './FirstDay.svelte';
  import FirstNames from './FirstNames.svelte';
  import { keyOf, Suggested } from './suggested.svelte';
  import TheDay from './TheDay.svelte';
  import Waited from './Waited.svelte';
  import WeekBack from './WeekBack.svelte';

  const desk = $derived(shared.desk!);
  let morning = $state.raw<Morning>();
  /** The lessons of an earlier day, where one is looked at. */
  let past = $state.raw<LessonDay>();
  const inHand = $derived(desk.inHand);
  const address = (l: LessonLink): string => view(lessonAddress(l));

  const suggested = new Suggested();
  const meetings = $derived(shared.mayPresent ? (morning?.meetings ?? []) : []);
  /** The first lesson of the day, where none is in hand. */
  const firstUp = $derived(inHand ? undefined : meetings.find((m) => m.fits));
  const tried = (m: Meeting): string => m.shown[m.shown.length - 1]?.says ?? '';
  const action = $derived(
    inHand
      ? { label: 'Go on', to: address(inHand) }
      : firstUp
        ? { label: firstUp.leaving ? `Try it ${tried(firstUp)}` : 'Gather', to: '' }
        : { label: 'Start a lesson', to: view('numbers') },
  );
  /** A class of which nothing is known yet is led to its first lesson. */
  const begins = $derived(
    desk.class.role === 'lead' && !inHand && !desk.learners.length && !desk.open.length,
  );
  const first = new FirstDay();
  const go = (): void => {
    if (begins) void first.begin();
    else if (firstUp) void suggested.open(firstUp);
    else void push(action.to);
  };
  /** The lesson that was put away last, to be taken back. */
  let away = $state.raw<LessonLink>();
  async function putAway(l: LessonLink): Promise<void> {
    await LessonInHand.of(l.id).change({ stand: 'away' });
    away = l;
    shared.said = `${l.sum.said} is put away`;
    await loadDesk(desk.class.id);
    await load();
  }
  async function takeBack(l: LessonLink): Promise<void> {
    await LessonInHand.of(l.id).change({ stand: l.stand });
    away = undefined;
    await loadDesk(desk.class.id);
    await load();
  }
  let trouble = $state<Trouble>();
  async function putOff(m: Meeting, why: string): Promise<void> {
    const got = await suggested.off(
      m,
      m.seats.map((c) => c.id),
      why,
    );
    if (got) morning = got;
  }
  async function takeUp(o: Off): Promise<void> {
    const got = await suggested.off(o, o.children);
    if (got) morning = got;
  }
  let week = $state.raw<Week>();
  async function weekBack(): Promise<void> {
    try {
      week = await guarded(api<Week>('GET', classPath('/week')));
      past = undefined;
      trouble = undefined;
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  async function days(day: string): Promise<void> {
    try {
      past = await guarded(api<LessonDay>('GET', classPath(`/lessons?day=${day}`)));
      week = undefined;
      trouble = undefined;
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  async function load(): Promise<void> {
    try {
      morning = await guarded(api<Morning>('GET', classPath('/today')));
    } catch (error) {
      trouble = troubleOf(error);
    }
  }

  onMount(() => {
    void loadDesk(desk.class.id);
    void load();
    if (begins) void first.draw();
  });
</script>

<svelte:window onkeydown={shortcuts({ space: () => shared.mayPresent && go() })} />

{#snippet bud(l: LessonLink, now: boolean)}
  <li class="lesson" class:now>
    <span class="node"></span>
    <a class="what" href={address(l)} use:link>
      <span class="small"
        >{#if l.notDone}<b>{l.notDone}</b>{:else}{now
            ? `in your hand, since ${l.since}`
            : `open, since ${l.since}`}{/if}</span
      >
      <strong class:private={l.children.length > 0}
        >{l.whole ? 'The whole class' : l.children.join(', ') || 'Practice, no children'}</strong
      >
      <span class="stage">{l.sum.stage.name}{l.with ? `, ${l.with}` : ''}</span>
      <span class="said">{l.said}</span>
    </a>
    <span class="sum">
      {#if l.sum.kind === 'sum'}<SumCord
          sum={l.sum}
          pitch={now ? 38 : 30}
          s={now ? 0.85 : 0.66}
        />{/if}
      {#if l.sum.one}
        <span class="kid alone" class:now>{l.sum.one.number}</span>
      {:else if isOfBars(l.sum)}
        <BarsRow sum={l.sum} width={now ? 260 : 190} most={7} />
      {:else}
        <Written
          numbers={l.sum.numbers}
          sign={l.sum.sign}
          size={now ? 44 : 28}
          cell={now ? 38 : 24}
        />
      {/if}
    </span>
    {#if shared.mayPresent}
      <button class="act away" onclick={() => void putAway(l)}>Put away</button>
    {/if}
  </li>
{/snippet}

<Bench
  title="Today"
  keys={[['space', begins ? 'begin the first lesson' : action.label.toLowerCase()]]}
  first="book"
>
  {#snippet shelf()}
    <h1>{desk.class.name}</h1>
    <p class="small">
      {desk.learners.length === 0
        ? 'no children yet'
        : desk.learners.length === 1
          ? '1 child'
          : `${desk.learners.length} children`}
    </p>
    {#if morning?.waited.length}
      <h2 class="part">Longest not seen</h2>
      <Waited waited={morning.waited} />
      <p class="small">days since last seen</p>
    {:else if desk.learners.length === 0 && desk.class.role !== 'lead'}
      <p class="part">The lead of the class adds the children.</p>
    {/if}
    {#if desk.learners.length && morning && shared.mayPresent}
      <TheDay {morning} onnew={(got) => (morning = got)} ontrouble={(t) => (trouble = t)} />
    {/if}
    {#if desk.learners.length}
      <div class="looks">
        <button class="days" onclick={() => void weekBack()}>The week back</button>
        <button class="days" onclick={() => void days('')}>Lessons by day</button>
      </div>
    {/if}
  {/snippet}
  {#snippet mat()}
    {#if begins}<FirstLesson {first} />{:else}
      <div class="morning">
        {#if trouble}<Wrong {trouble} />{/if}
        <div class="along">
          <svg class="stem" width="60" preserveAspectRatio="none" aria-hidden="true">
            <path d="M30 0V2000" stroke="var(--leaf)" stroke-width="2.6" fill="none" />
          </svg>
          <svg class="crown" width="60" height="44" viewBox="0 0 60 44" aria-hidden="true">
            <use href="#leaf" transform="translate(30 26) rotate(-30) scale(1.1)" />
            <use href="#leaf" transform="translate(30 34) rotate(-30) scale(-1.1 1.1)" />
          </svg>
          {#if suggested.trouble}<Wrong trouble={suggested.trouble} />{/if}
          {#if week}
            <h1 class="day">The week back</h1>
            <p class="turn">
              <button onclick={() => (week = undefined)}>back to this morning</button>
            </p>
            <WeekBack {week} />
          {:else if past}
            <h1 class="day">Lessons of {past.says}</h1>
            <p class="turn">
              <button disabled={!past.before} onclick={() => void days(past!.before)}>
                ‹ the day before</button
              >
              <button disabled={!past.after} onclick={() => void days(past!.after)}>
                the day after ›</button
              >
              <button onclick={() => (past = undefined)}>back to this morning</button>
            </p>
            {#if past.lessons.length}<Done lessons={past.lessons} />{:else}
              <p class="small">No lesson ended on this day.</p>
            {/if}
          {:else}
            <h1 class="day">{desk.day}</h1>
            <ol>
              {#if away}
                <li class="lesson put" role="status">
                  <span>{away.sum.said} is put away.</span>
                  <button class="act" onclick={() => void takeBack(away!)}>Undo</button>
                </li>
              {/if}
              {#if inHand}{@render bud(inHand, true)}{/if}
              {#each desk.open as l (l.id)}{@render bud(l, false)}{/each}
              {#each meetings as m (keyOf(m))}
                <Bud
                  {m}
                  whys={morning!.whys}
                  material={desk.settings.material}
                  busy={suggested.busy}
                  onopen={() => void suggested.open(m)}
                  onoff={(why) => void putOff(m, why)}
                />
              {/each}
              {#if shared.mayPresent}
                {#each morning?.off ?? [] as o (o.says)}
                  <li class="lesson put">
                    <span>Put off for today: {o.says}.</span>
                    <button class="act" onclick={() => void takeUp(o)}>Undo</button>
                  </li>
                {/each}
              {/if}
              {#if !inHand && desk.open.length === 0 && !morning?.meetings.length}
                <li class="lesson none">
                  <span class="node dashed"></span>
                  <span class="what">
                    <strong>No lesson in hand</strong>
                    <span class="said">
                      {shared.mayPresent
                        ? 'Choose numbers by the ' +
                          desk.words.swaps +
                          ' they cause, gather the pieces, and work them on the mat.'
                        : 'Lessons that are opened in this class appear here.'}
                    </span>
                  </span>
                </li>
              {/if}
            </ol>
            {#if morning?.done.length}
              <h2 class="done">Done today</h2>
              <Done lessons={morning.done} />
            {/if}
          {/if}
        </div>
      </div>
    {/if}
  {/snippet}
  {#snippet book()}
    {#if begins}
      <FirstNames {first} />
    {:else if inHand}
      <h1>Next</h1>
      {#if inHand.whole}
        <p class="nextup">{inHand.sum.said}</p>
        <p class="small">The whole class, with slates</p>
      {:else}
        <p class="nextup">{inHand.next}</p>
        <p class="small">{[inHand.sum.said, inHand.sum.swaps].filter(Boolean).join(', ')}</p>
      {/if}
      {#if shared.mayPresent}
        <p class="other"><a href={view('numbers')} use:link>Choose other numbers</a></p>
      {/if}
    {:else if firstUp}
      <h1>Next</h1>
      <p class="nextup">{firstUp.shown.map((b) => b.task).join(', ')}</p>
      <p class="small">{firstUp.seats.map((c) => c.name).join(', ')}: {firstUp.name}</p>
      <p class="other"><a href={view('numbers')} use:link>Choose other numbers</a></p>
    {:else if !shared.mayPresent}
      <h1>Watching</h1>
      <p class="small">You can read everything in this class and change nothing.</p>
    {/if}
    {#if morning?.unwritten.length}
      <h2 class="part ink">Still to write up</h2>
      <ul class="todo">
        {#each morning.unwritten as u (u.lesson)}
          <li>
            <a href={view(`record/${u.lesson}`)} use:link>
              <svg width="18" height="22" viewBox="0 0 18 22" aria-hidden="true">
                <path d="M2 1.5H16V20.5H2ZM5 7H13M5 11H13M5 15H10" class="page" />
              </svg>
              <span
                ><b>{u.day}: <span class="private">{u.names}</span></b><br /><span class="small"
                  >{u.what}</span
                ></span
              >
            </a>
          </li>
        {/each}
      </ul>
    {/if}
    {#if morning?.check.length}
      <h2 class="part ink">Look again</h2>
      <ul class="todo">
        {#each morning.check as c, i (i)}
          <li>
            <a href={view(`learner/${c.id}`)} use:link>
              <Sign state={c.state} />
              <span
                ><b class="private">{c.name}</b> <span class="why private">{c.why}</span>
                <span class="small">{c.what}</span></span
              >
            </a>
          </li>
        {/each}
      </ul>
    {:else if morning && !begins && !inHand && !firstUp && shared.mayPresent && !morning.unwritten.length}
      <h1>The first step</h1>
      <p class="nextup">Choose a stage or your own pattern, and the numbers are drawn for you.</p>
    {/if}
  {/snippet}
  {#snippet foot()}
    {#if begins}
      <Next
        label="Begin {first.sum?.said ?? ''}"
        key="space"
        disabled={!first.sum || first.busy}
        onclick={go}
      />
    {:else if shared.mayPresent || inHand}<Next
        label={action.label}
        key="space"
        onclick={go}
      />{/if}
  {/snippet}
</Bench>

<style>
  .alone {
    font-size: var(--t4);
    line-height: 36px;
  }
  .alone.now {
    font-size: var(--t5);
    line-height: 52px;
  }
  .part {
    margin-top: var(--s4);
  }
  .part.ink {
    color: var(--ink);
    font-size: var(--t2);
    font-weight: 650;
  }
  .todo a {
    display: grid;
    grid-template-columns: 26px 1fr;
    gap: 8px;
    min-height: 44px;
    padding: 6px 0;
    border-bottom: 1px solid var(--line);
    line-height: 19px;
    text-decoration: none;
  }
  .todo a:hover b {
    color: var(--leaf);
  }
  .todo b {
    font-weight: 600;
  }
  .page {
    fill: none;
    stroke: var(--edge);
    stroke-width: 1.6;
  }
  .why {
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 3;
    line-clamp: 3;
    overflow: hidden;
  }
  .morning {
    position: relative;
    height: 100%;
    padding: 28px 28px 0 96px;
    overflow: auto;
  }
  .along {
    position: relative;
    min-height: 100%;
  }
  .stem,
  .crown {
    position: absolute;
    left: -74px;
    top: -28px;
  }
  .stem {
    height: calc(100% + 28px);
  }
  .day {
    font-size: var(--t4);
    line-height: 36px;
    margin-bottom: var(--s4);
  }
  .turn {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 24px;
    margin-bottom: 12px;
  }
  .turn button,
  .days {
    min-height: 44px;
    color: var(--leaf);
    font-weight: 600;
  }
  .turn button:disabled {
    color: var(--ink-2);
  }
  .looks {
    display: flex;
    flex-wrap: wrap;
    gap: 0 16px;
    margin-top: var(--s3);
  }
  .away {
    grid-column: 1;
    justify-self: start;
    margin-top: calc(-1 * var(--s4));
  }
  .put {
    grid-template-columns: auto 1fr;
    align-items: center;
    padding: 0;
  }
  .done {
    margin-top: var(--s4);
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
  @media (max-width: 700px) {
    .morning {
      height: auto;
      padding: 16px 14px 16px 56px;
      overflow: visible;
    }
    .stem,
    .crown {
      left: -64px;
      top: -16px;
    }
    .node {
      left: -43px;
    }
    .now .node {
      left: -45px;
    }
    .lesson {
      grid-template-columns: 1fr;
      gap: var(--s2);
      padding: var(--s3) 0;
    }
  }
</style>
