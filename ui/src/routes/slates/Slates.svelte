<script lang="ts">
  // A lesson for the whole class: the guide holds the pace by one key, reads the slates as the
  // class sits, and says who explains. All slates are right but those that are touched.
  import { onMount } from 'svelte';
  import { push } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { following } from '../../lib/following.svelte';
  import { shortcuts, type Shortcuts } from '../../lib/keys';
  import { LessonInHand } from '../../lib/lesson.svelte';
  import { outbox } from '../../lib/outbox.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Steps from '../../lib/parts/Steps.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import {
    classPath,
    guarded,
    loadDesk,
    saved,
    shared,
    troubleOf,
    view,
  } from '../../lib/state.svelte';
  import type { ClassSeat, SeatPlan, Slates, Trouble } from '../../lib/wire.gen';
  import { typed, wiped } from '../record/answer';
  import Worked from '../show/Worked.svelte';
  import Projector from './Projector.svelte';
  import { RoundDraft } from './round.svelte';
  import Said from './Said.svelte';
  import Seats from './Seats.svelte';
  import Shown from './Shown.svelte';
  import Wrote from './Wrote.svelte';

  let { params }: { params: { lesson: string } } = $props();

  // svelte-ignore state_referenced_locally
  const hand = LessonInHand.of(params.lesson);
  const lesson = $derived(hand.lesson);
  const round = $derived(lesson?.round);
  const nth = $derived(lesson?.link.nth ?? 0);
  const ended = $derived(lesson?.link.stand === 'ended');
  const may = $derived(shared.mayPresent && !ended);
  const draft = new RoundDraft();
  let slates = $state.raw<Slates>();
  let trouble = $state<Trouble>();
  let chosen = $state('');
  let moving = $state(false);
  let w = $state(0);
  let h = $state(0);

  const here = $derived(slates?.nth === nth ? slates : undefined);
  const kept = $derived(here?.kept);
  /** What is kept, or else what was touched. */
  const marks = $derived(
    kept
      ? Object.fromEntries(
          kept.slates
            .filter((s) => s.mark !== 'default')
            .map((s) => [s.learner, { mark: s.mark, answer: s.answer ?? '' }]),
        )
      : draft.slates,
  );
  const turns = $derived(kept ? kept.turns : draft.turns);
  const explains = $derived(turns.find((t) => t.took));
  const asked = $derived(
    Object.fromEntries(turns.map((t) => [t.learner, t.took ? 'explains' : 'passed by'])),
  );
  const children = $derived(slates?.children ?? []);
  const nameOf = (id: string): string => children.find((c) => c.id === id)?.name ?? '';
  const away = $derived(children.filter((c) => c.away).map((c) => c.id));
  const child = $derived(children.find((c) => c.id === chosen));
  const proposed = $derived(
    (here?.queue ?? []).filter((t) => !asked[t.id] && !away.includes(t.id)),
  );

  const pace = $derived(round?.pace ?? 'look');
  const paces = $derived(round?.paces ?? []);
  const at = $derived(paces.findIndex((p) => p.id === pace));
  const counting = $derived(pace === 'together');
  const stepsLeft = $derived(
    counting && !!lesson && hand.index + 1 < lesson.steps.length
      ? lesson.steps[hand.index + 1]
      : undefined,
  );
  /** Slates are held up by now, or one was read. */
  const up = $derived(
    at >= paces.findIndex((p) => p.id === 'show') || Object.keys(marks).length > 0,
  );
  const flashes = $derived(pace === 'look' && !!round?.flash && round.shown === 0);
  const last = $derived(at >= 0 && at === paces.length - 1);
  const more = $derived(nth + 1 < (lesson?.link.tasks ?? 0));
  const nextText = $derived(slates?.rounds[nth + 1]?.text ?? '');

  async function load(): Promise<void> {
    try {
      slates = await guarded(api<Slates>('GET', classPath(`/lessons/${params.lesson}/slates`)));
      trouble = undefined;
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  // What another task, or another device, has changed is read again.
  let seen = '';
  $effect(() => {
    if (!lesson) return;
    draft.open(params.lesson, nth);
    const rounds = following.moment?.lesson === params.lesson ? following.moment.rounds : 0;
    const now = `${nth} ${rounds}`;
    if (now === seen) return;
    seen = now;
    chosen = '';
    void load();
  });
  onMount(() => {
    const stop = outbox.hear(params.lesson, {
      sent: (piece, answer) => {
        if (piece.kind === 'round') slates = answer as Slates;
      },
      refused: (piece) => void (piece.kind === 'round' && load()),
    });
    void hand.load();
    return stop;
  });

  const label = $derived.by(() => {
    if (flashes) return `Show it, ${round!.flash!.says}`;
    if (stepsLeft) return stepsLeft.do;
    const next = paces[at + 1];
    if (next?.id === 'explain' && proposed[0] && !explains && !shared.covered)
      return `${proposed[0].name} explains`;
    if (next) return next.do;
    return more ? `On to ${nextText}` : 'Keep and finish';
  });
  const unread = $derived(
    Object.entries(marks)
      .filter(([, m]) => m.mark === 'not-read')
      .map(([id]) => nameOf(id)),
  );
  const under = $derived(
    last && round?.slated && unread.length
      ? `${unread.length === 1 && !shared.covered ? unread[0] : unread.length} not read`
      : '',
  );

  function forward(): void {
    if (!lesson || !round || ended) return;
    if (!may) return;
    const next = paces[at + 1];
    if (flashes) return hand.round({ shown: 1 });
    if (stepsLeft) return hand.go(hand.index + 1);
    if (!next) return void onward();
    if (next.id === 'explain' && !explains && proposed[0]) draft.take(proposed[0].id);
    chosen = '';
    hand.round({ pace: next.id });
  }
  function back(): void {
    if (!may) return;
    if (counting && hand.index > 0) return hand.go(hand.index - 1);
    if (at > 0) hand.round({ pace: paces[at - 1]!.id });
  }
  const again = (): void => {
    if (may && round?.flash) hand.round({ pace: 'look', shown: round.shown + 1 });
  };
  /** Keeps the round, and goes to the next task or ends the lesson. */
  async function onward(): Promise<void> {
    if (!kept && (round?.slated || draft.turns.length)) {
      const says = `the slates of ${slates?.rounds[nth]?.text ?? 'a task'}`;
      void outbox.add(params.lesson, { kind: 'round', made: draft.made(nth, away), says });
      draft.done();
    }
    chosen = '';
    if (more) return hand.change({ nth: nth + 1 });
    await hand.change({ stand: 'ended' });
    if (hand.trouble) return;
    await loadDesk(shared.desk!.class.id);
    await push(view('today'));
  }
  const goTo = (i: number): void => {
    if (may && i !== nth) void hand.change({ nth: i });
  };

  // The slate in the hand.
  const open = $derived(may && !kept && !!child && !child.away && !!round?.slated);
  const limit = $derived(shared.desk!.limits.answer);
  function digit(d: string): void {
    if (!open || !here) return;
    const m = draft.slates[chosen];
    const one = here.keys[Number(d) - 1];
    if (here.keys.length) {
      if (one) draft.mark(chosen, one.given === here.right ? 'right' : 'gave', one.given);
      return;
    }
    wrote(m, typed(m?.answer ?? '', d, limit, here.between.id));
  }
  /** What is typed so far stands on the slate: another answer, or the right one after all. */
  function wrote(m: { mark: string } | undefined, answer: string): void {
    if (m?.mark === 'unfinished' && answer) draft.mark(chosen, m.mark, answer);
    else draft.mark(chosen, answer && (answer === here?.right ? 'right' : 'gave'), answer);
  }
  function wipe(): void {
    const m = draft.slates[chosen];
    if (!open || !here || !m) return back();
    wrote(m, wiped(m.answer, here.between.id));
  }
  function mark(how: string): void {
    if (!open || !here) return;
    const m = draft.slates[chosen];
    if (how === 'reversed') {
      if (here.reversed) draft.mark(chosen, 'gave', here.reversed);
    } else if (how === 'unfinished') {
      if (m?.mark === how) wrote(undefined, m.answer);
      else draft.mark(chosen, how, m?.answer);
    } else {
      draft.mark(chosen, m?.mark === how ? '' : how);
    }
  }
  async function setAway(): Promise<void> {
    const c = child;
    if (!c || !may || !slates) return;
    slates = {
      ...slates,
      children: slates.children.map((x) => (x.id === c.id ? { ...x, away: !c.away } : x)),
    };
    try {
      await saved(api('PUT', classPath('/away'), { learner: c.id, away: !c.away }));
      trouble = undefined;
    } catch (error) {
      trouble = troubleOf(error);
      await load();
    }
  }
  const takes = (id: string): void => {
    if (!may || kept || away.includes(id)) return;
    if (explains?.learner === id) draft.undo(id);
    else draft.take(id);
  };
  const passes = (): void => {
    const first = explains?.learner ?? proposed[0]?.id;
    if (may && !kept && first) draft.pass(first);
    if (pace === 'explain' && proposed[0]) draft.take(proposed[0].id);
  };

  // Seats.
  async function move(id: string, x: number, y: number): Promise<void> {
    const all = slates;
    const one = all?.children.find((c) => c.id === id);
    if (!all || !one || x < 0 || y < 0) return;
    const other = all.children.find((c) => c.x === x && c.y === y && c.id !== id);
    const moved = all.children.map((c) =>
      c.id === id ? { ...c, x, y } : c.id === other?.id ? { ...c, x: one.x, y: one.y } : c,
    );
    slates = { ...all, children: moved };
    const seats: ClassSeat[] = moved.map((c) => ({ learner: c.id, x: c.x, y: c.y }));
    // One after another, each from the newest plan.
    line = line.then(async () => {
      try {
        const plan = { revision: slates!.plan, seats };
        const now = await guarded(api<SeatPlan>('PUT', classPath('/seats'), plan));
        slates = { ...slates!, plan: now.revision };
        trouble = undefined;
      } catch (error) {
        trouble = troubleOf(error);
        await load();
      }
    });
    void saved(line);
  }
  let line = Promise.resolve();
  const MOST = 11;
  function step(dx: number, dy: number): void {
    if (!child) return void (chosen = children.find((c) => !c.away)?.id ?? '');
    if (moving) {
      const [x, y] = [child.x + dx, child.y + dy];
      if (x >= 0 && y >= 0 && x <= MOST && y <= MOST) void move(child.id, x, y);
      return;
    }
    // The next seat in that direction, however far.
    const ahead = children
      .filter((c) => (c.x - child.x) * dx + (c.y - child.y) * dy > 0)
      .toSorted((a, b) => far(a) - far(b));
    if (ahead[0]) chosen = ahead[0].id;
    function far(c: { x: number; y: number }): number {
      const along = Math.abs((c.x - child!.x) * dx + (c.y - child!.y) * dy);
      return along + 3 * Math.abs((c.x - child!.x) * dy + (c.y - child!.y) * dx);
    }
  }

  const keys: Shortcuts = {
    space: forward,
    backspace: wipe,
    arrowright: () => step(1, 0),
    arrowleft: () => step(-1, 0),
    arrowup: () => step(0, 1),
    arrowdown: () => step(0, -1),
    escape: () => void ((chosen = ''), (moving = false)),
    enter: () => void (chosen = ''),
    r: () => mark('right'),
    t: () => mark('mirrored'),
    v: () => mark('reversed'),
    u: () => mark('unfinished'),
    b: () => mark('blank'),
    n: () => mark('not-read'),
    a: () => void setAway(),
    e: () => chosen && takes(chosen),
    p: passes,
    s: again,
    ...Object.fromEntries('0123456789'.split('').map((d) => [d, () => digit(d)])),
  };
  const keyed = (event: KeyboardEvent): void => {
    const between = here?.between.id.trim();
    if (between && event.key === between)
      keysOf({ [between]: () => digit(here!.between.id) })(event);
    else shortcuts(keys)(event);
  };
  const keysOf = shortcuts;
</script>

<svelte:window onkeydown={keyed} />

<Bench
  title="Slates"
  lesson={lesson?.link}
  mark={nth}
  onmark={(at) => goTo(Number(at))}
  keys={[
    ['space', 'what the class does next'],
    ['arrows', 'another slate'],
    ['0–9', 'what stands on the slate in hand'],
    ['backspace', 'wipe a figure, or a pace back'],
    ['r t v', 'right, a figure turned round, figures in reverse'],
    ['u b n', 'not done, nothing written, not read'],
    ['a', 'away today, or here'],
    ['e', 'the child in hand explains'],
    ['p', 'pass by whoever is proposed'],
    ['s', 'show the flash again'],
  ]}
  drawer={300}
  shelfSays={explains ? `${nameOf(explains.learner)} explains` : ''}
  bookSays={child?.name ?? ''}
>
  {#snippet shelf()}
    {#if lesson && round}
      <Shown
        {lesson}
        {round}
        {may}
        onagain={again}
        queue={proposed}
        {explains}
        {nameOf}
        says={here?.says ?? ''}
        ways={here?.ways ?? []}
        glances={here?.glances ?? []}
        kept={!!kept}
        onturn={takes}
        onpass={passes}
        onway={(way) => draft.saw(way)}
      />
    {/if}
  {/snippet}

  {#snippet mat()}
    <div class="all">
      <div class="top">
        <ol class="paces" aria-label="What the class does">
          {#each paces as p, i (p.id)}
            <li>
              <button
                aria-current={p.id === pace ? 'step' : undefined}
                class:past={i < at}
                disabled={!may}
                onclick={() => hand.round({ pace: p.id })}>{p.name}</button
              >
            </li>
          {/each}
        </ol>
        {#if may && !counting}
          <button class="act" aria-pressed={moving} onclick={() => (moving = !moving)}
            >{moving ? 'Seats are right' : 'Move the seats'}</button
          >
        {/if}
      </div>
      {#if trouble || hand.trouble || hand.conflict}
        <div class="note">
          {#if trouble}<Wrong {trouble} />{/if}
          {#if hand.trouble}<Wrong trouble={hand.trouble} />{/if}
          {#if hand.conflict}<Wrong trouble={hand.conflict} />{/if}
        </div>
      {/if}
      {#if moving}<p class="small">
          Drag a child to its seat, or touch the child and then the seat. Arrows move it too.
        </p>{/if}
      <div class="room" bind:clientWidth={w} bind:clientHeight={h}>
        {#if lesson && (counting || !round?.slated) && w > 0 && h > 0}
          <Worked {lesson} index={hand.index} words={shared.words} {w} {h} found={counting} />
        {:else if slates && w > 0 && h > 0}
          <Seats
            {children}
            right={here?.right ?? ''}
            slated={!!round?.slated && up}
            {marks}
            explains={explains?.learner}
            {asked}
            bind:chosen
            {moving}
            ontouch={(id) => (chosen = chosen === id ? '' : id)}
            onmove={(id, x, y) => void move(id, x, y)}
            {w}
            {h}
          />
        {/if}
      </div>
      {#if !counting && round?.slated}<p class="front"><span>you, at the front</span></p>{/if}
    </div>
  {/snippet}

  {#snippet book()}
    {#if lesson && here}
      {#if counting && lesson.steps[hand.index]}
        <p class="said kid">
          {#each lesson.steps[hand.index]!.says as span, i (i)}{#if span.place}<b
                style:color="var(--{span.place}-ink)">{span.text}</b
              >{:else}{span.text}{/if}{/each}
        </p>
      {:else if lesson.spot}
        <h1>{lesson.link.sum.said}</h1>
        <p class="private">{lesson.spot.says}</p>
      {:else if child && round?.slated}
        <Wrote
          {child}
          {here}
          mark={marks[chosen]}
          open={!!open}
          kept={!!kept}
          {may}
          ondigit={digit}
          onwipe={wipe}
          onmark={mark}
          onaway={() => void setAway()}
          onturn={() => takes(chosen)}
          explains={explains?.learner === chosen}
        />
      {/if}
      {#if round?.slated && !counting && up}
        <Said {here} {marks} {children} kept={kept?.by} onchoose={(id) => (chosen = id)} />
      {/if}
      {#if !child && !counting}<Projector code={here.code} />{/if}
    {/if}
  {/snippet}

  {#snippet foot()}
    {#if lesson && round}
      {#if ended}
        <Next label="Back to Today" onclick={() => void push(view('today'))} />
      {:else if may}
        <Steps {label} key="space" first={at <= 0} onback={back} onnext={forward} />
        {#if under}<p class="small under private">{under}</p>{/if}
      {:else}
        <Next label="Back to Today" onclick={() => void push(view('today'))} />
      {/if}
    {/if}
  {/snippet}
</Bench>

<style>
  .all {
    display: flex;
    flex-direction: column;
    height: 100%;
    padding: 10px 22px 8px;
  }
  .top {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 12px;
    min-height: 48px;
  }
  .paces {
    display: flex;
    flex-wrap: wrap;
  }
  .paces button {
    min-height: 44px;
    padding: 0 9px;
    border-bottom: 3px solid var(--line);
    color: var(--ink-2);
    font-size: var(--t1);
    white-space: nowrap;
  }
  .paces .past {
    border-color: var(--leaf);
  }
  .paces [aria-current] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    color: var(--ink);
    font-weight: 650;
  }
  .act {
    flex: none;
    font-size: var(--t1);
  }
  .room {
    position: relative;
    flex: 1;
    min-height: 0;
    margin-top: 6px;
  }
  .front {
    display: grid;
    grid-template-columns: 1fr auto 1fr;
    align-items: center;
    gap: 10px;
    height: 26px;
    color: var(--ink-2);
    font-size: var(--t1);
  }
  .front::before,
  .front::after {
    content: '';
    border-top: 1px solid var(--gap);
  }
  .note {
    padding: 6px 10px;
    border: 1.5px solid var(--clay);
    border-radius: var(--r2);
  }
  .said {
    font-size: 26px;
    line-height: 34px;
    white-space: pre-wrap;
  }
  .under {
    margin-top: 4px;
  }
  @media (max-width: 700px) {
    .all {
      height: auto;
      min-width: 560px;
    }
    .room {
      flex: none;
      height: 440px;
    }
  }
</style>
