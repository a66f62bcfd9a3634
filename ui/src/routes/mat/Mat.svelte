<script lang="ts">
  // The presented mat: the lesson worked step by step, forwards and back, with
  // the column written in step with the pieces and the sentence to say.
  import { onMount } from 'svelte';
  import { push } from 'svelte-spa-router';
  import Bench from '../../lib/bench/Bench.svelte';
  import { isAlone, isOfBars } from '../../lib/alone';
  import { inTurn } from '../../lib/frames.svelte';
  import { shortcuts } from '../../lib/keys';
  import { LessonInHand } from '../../lib/lesson.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Steps from '../../lib/parts/Steps.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import Column from '../../lib/pieces/Column.svelte';
  import { loadDesk, shared, view } from '../../lib/state.svelte';
  import type { Ink, Sheet, Step } from '../../lib/wire.gen';
  import CardScene from './CardScene.svelte';
  import Estimate from './Estimate.svelte';
  import Alone from './Alone.svelte';
  import BarsShelf from './bars/BarsShelf.svelte';
  import ChainBook from './bars/ChainBook.svelte';
  import { numbers } from './bars/numbers.svelte';
  import RodsBook from './bars/RodsBook.svelte';
  import SnakeBook from './bars/SnakeBook.svelte';
  import SnakeShelf from './bars/SnakeShelf.svelte';
  import { handsOf } from './one/hands';
  import OneShelf from './one/OneShelf.svelte';
  import Timing from './one/Timing.svelte';
  import Scene from './Scene.svelte';
  import Store from './Store.svelte';

  let { params }: { params: { lesson: string } } = $props();

  const ASKS = 'mat-asks'; // kept on the device: how this adult presents
  const FORM = 'mat-form'; // and how the work is written

  // svelte-ignore state_referenced_locally
  const hand = LessonInHand.of(params.lesson);
  const lesson = $derived(hand.lesson);
  const desk = $derived(shared.desk!);
  /** The step whose pieces lie on the mat; all else follows, a frame for each part. */
  const lying = $derived(lesson?.steps[hand.index]);
  const following = $derived(lesson?.steps[hand.index + 1]);
  const at = inTurn(
    () => hand.index,
    ...(['trays', 'cards', 'marks', 'column', 'words', 'foot', 'ribbon', 'shelf'] as const),
  );
  const column = $derived(lesson?.steps[at.column]);
  const step = $derived(lesson?.steps[at.words]);
  const next = $derived(lesson?.steps[at.words + 1]);
  const shelved = $derived(lesson?.steps[at.shelf]);
  /** The step that the foot leads to. */
  const to = $derived(lesson?.steps[at.foot + 1]);
  /** A number that is asked alone has a mat and a book of its own. */
  const one = $derived(lesson?.link.sum.one);
  const alone = $derived(isAlone(lesson?.link.sum));
  /** A crowd, sticks or a tray can be in the child's hands instead of being shown. */
  const forHands = $derived(!!handsOf(one));
  let inHands = $state(false);
  const hands = $derived(
    lesson && forHands && inHands ? `${params.lesson} ${lesson.link.nth}` : undefined,
  );
  const toHands = (): void => {
    if (forHands) inHands = !inHands;
  };
  const ended = $derived(lesson?.link.stand === 'ended');
  /** Whether there is a child to write up. */
  const writes = $derived(!!lesson?.children.length && shared.mayPresent);
  const material = $derived(lesson?.link.material ?? 'beads');
  let w = $state(0);
  let h = $state(0);

  const places = $derived.by(() => {
    const top = desk.words.places.findIndex((p) => p.id === lesson?.top);
    return desk.words.places
      .slice(0, top + 1)
      .map((p) => p.id)
      .reverse();
  });
  /** How the work is written in the book: a column, equal groups one below the other, or
      expanded form. It is kept over a reload. */
  const FORMS = { column: 'Column', added: 'As adding', expanded: 'Expanded form' } as const;
  type Form = keyof typeof FORMS;
  const forms = $derived<Form[]>(
    column?.added ? ['column', 'added', 'expanded'] : ['column', 'expanded'],
  );
  let kept = $state(localStorage.getItem(FORM) ?? '');
  const form = $derived(forms.find((f) => f === kept) ?? 'column');
  const expanded = $derived(form === 'expanded');
  const nextForm = $derived(forms[(forms.indexOf(form) + 1) % forms.length]!);
  const sheet = $derived((form === 'added' && column?.added) || column?.sheet);
  const written = (s?: Step): Sheet | undefined => (form === 'added' && s?.added) || s?.sheet;
  /** What the next step writes, shown dashed while its ten are gathered. */
  const due = $derived<Ink[]>(
    column?.kind === 'stop'
      ? (written(lesson?.steps[at.column + 1])?.marks.slice(sheet!.marks.length) ?? [])
      : [],
  );
  /** How many rows the column has over its line. */
  const rows = $derived((sheet?.over ?? 0) + (sheet?.numbers ?? 0));
  const turnOf = (i: number): string => lesson?.children[lesson.steps[i]?.turn ?? -1]?.name ?? '';
  const turn = $derived(turnOf(at.words));
  /** Who comes after: the next child with another turn. */
  const then = $derived.by(() => {
    for (let i = at.words + 1; i < (lesson?.steps.length ?? 0); i++) {
      const name = turnOf(i);
      if (name && name !== turn) return name;
    }
    return '';
  });
  /** Whose place is whose, under the column. */
  const names = $derived.by(() => {
    const out: Record<string, string> = {};
    for (const [i, s] of lesson?.steps.entries() ?? []) {
      const name = turnOf(i);
      if (s.place && name) out[s.place] = name;
    }
    return out;
  });

  /** Taking away and three numbers need more of an upright tablet. */
  const tight = $derived(
    (!alone && lesson?.link.sum.kind !== 'sum') || (lesson?.link.sum.numbers.length ?? 0) > 2,
  );

  const say = (): void => {
    shared.said = lesson?.steps[hand.index]?.says.map((s) => s.text).join('') ?? '';
  };
  /** Whether a step is asked about before it is shown, and whether it is asked now. */
  let asks = $state(localStorage.getItem(ASKS) === 'yes');
  let asking = $state(false);
  const turnAsking = (): void => {
    asks = !asks;
    asking = false;
    localStorage.setItem(ASKS, asks ? 'yes' : 'no');
  };
  function forward(): void {
    if (!lesson || ended) return;
    if (hands) {
      seen('hands');
      if (writes) toRecord();
      else toHands();
      return;
    }
    if (!following) {
      void finish();
      return;
    }
    if (asks && following.ask && !asking) {
      asking = true;
      shared.said = following.ask;
      return;
    }
    goTo(hand.index + 1, asking ? 'asked' : 'led');
  }
  function back(): void {
    if (!lesson || ended) return;
    if (hands) toHands();
    else if (asking) asking = false;
    else if (hand.index > 0) goTo(hand.index - 1);
  }
  /** Goes to a step. How it was done bears on the help that is proposed for the record; a
      step of which nothing is asked says nothing of that. */
  function goTo(index: number, how?: 'led' | 'asked'): void {
    asking = false;
    const step = lesson?.steps[index];
    hand.go(index, how && step?.ask ? [{ at: step.at, how }] : []);
    say();
  }
  /** Keeps how the child's own hands did it. */
  const seen = (how: 'hands' | 'told'): void =>
    hand.go(hand.index, [{ at: lesson!.steps[hand.index]!.at, how }]);
  const jump = (at: string): void => {
    const index = lesson?.steps.findIndex((s) => s.at === at) ?? -1;
    if (index >= 0 && !ended) goTo(index);
  };
  /** Whether another task follows where nobody is written up. */
  const goesOn = $derived(
    shared.mayPresent &&
      !!lesson &&
      !lesson.children.length &&
      lesson.link.nth + 1 < lesson.link.tasks,
  );
  const toRecord = (): void => void push(view(`record/${params.lesson}`));
  async function finish(): Promise<void> {
    if (lesson?.children.length) return toRecord();
    if (goesOn) return hand.change({ nth: lesson!.link.nth + 1 }).then(() => hand.load());
    if (shared.mayPresent) await hand.change({ stand: 'ended' });
    if (hand.trouble) return;
    await loadDesk(desk.class.id);
    await push(view('today'));
  }
  /** A number's parts stay in one line. */
  const inOne = (line: string): string =>
    line.replace(/\([^)]*\)/g, (parts) => parts.replaceAll(' ', '\u00a0'));
  const turnOver = (): void => localStorage.setItem(FORM, (kept = nextForm));
  const toMaterial = (id: string): void => void hand.change({ material: id });
  const other = (): void => {
    const all = desk.words.materials
      .map((m) => m.id)
      .filter((m) => !one || m !== 'drawings' || ['kinds', 'ten-of'].includes(one.shown));
    if ((!alone || ['tens', 'places'].includes(lesson?.scene ?? '')) && shared.mayPresent)
      toMaterial(all[(all.indexOf(material) + 1) % all.length]!);
  };

  onMount(() => hand.load());
</script>

<svelte:window
  onkeydown={shortcuts({
    space: forward,
    backspace: back,
    arrowright: forward,
    arrowleft: back,
    m: other,
    x: turnOver,
    q: turnAsking,
    c: toHands,
    n: () => isOfBars(lesson?.link.sum) && numbers.set(!numbers.shown),
    w: () => writes && toRecord(),
  })}
/>

<Bench
  title="Mat"
  scene
  lesson={lesson?.link}
  mark={lesson?.steps[at.ribbon]?.mark}
  onmark={jump}
  keys={[
    ['space', 'the next step'],
    ['backspace', 'a step back'],
    ['m', 'another material'],
    ['x', 'another way of writing it'],
    ['q', 'ask before each step, or not'],
    ['c', 'a crowd, sticks or a tray: in the child’s hands, or shown'],
    ['n', 'numbers under the beads of a snake'],
    ['w', 'write up who did what'],
  ]}
  drawer={tight ? 228 : 284}
  shelfSays={material}
  bookSays={turn ? `${turn}’s turn` : ''}
>
  {#snippet shelf()}
    {#if lesson?.link.sum.snake}
      <SnakeShelf {lesson} index={at.shelf} may={shared.mayPresent && !ended} />
    {:else if lesson && isOfBars(lesson.link.sum)}
      <BarsShelf {lesson} words={desk.words} {material} />
    {:else if lesson && one}
      <OneShelf
        {lesson}
        words={desk.words}
        {material}
        onmaterial={toMaterial}
        may={shared.mayPresent && !ended}
      />
    {:else if shelved}
      <Store
        words={desk.words}
        {material}
        alone={lesson?.needs.alone ?? false}
        step={shelved}
        next={lesson?.steps[at.shelf + 1]}
        onmaterial={toMaterial}
        may={shared.mayPresent && !ended}
      />
    {/if}
  {/snippet}

  {#snippet mat()}
    <div
      class="scene"
      bind:clientWidth={w}
      bind:clientHeight={h}
      data-step={lying?.at ?? ''}
      data-last={lying && !following ? '' : undefined}
      class:wide={expanded || lesson?.scene === 'places'}
    >
      {#if lesson && alone && w > 0 && h > 0}
        <Alone {lesson} index={hand.index} {material} {w} {h} {hands} ontold={() => seen('told')} />
      {:else if lesson && lying?.kind === 'estimate'}
        <div class="about">
          <p class="kid">{lesson.link.sum.said}</p>
          {#if lesson.children.length && shared.mayPresent && !ended}
            <Estimate id={params.lesson} nth={lesson.link.nth} step={lying} box />
          {:else}
            <p class="is kid">is about <span class="gap"></span></p>
          {/if}
        </div>
      {:else if lesson && w > 0 && h > 0}
        {#if lesson.needs.alone}
          <CardScene {lesson} index={hand.index} words={desk.words} {w} {h} />
        {:else}
          <Scene
            {lesson}
            index={hand.index}
            {at}
            {material}
            words={desk.words}
            {w}
            {h}
            apart={expanded}
          />
        {/if}
      {/if}
      {#if hand.trouble}
        <div class="note"><Wrong trouble={hand.trouble} /></div>
      {:else if hand.conflict}
        <div class="note"><Wrong trouble={hand.conflict} /></div>
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    {#if lesson && step && column}
      {#if lesson.link.sum.snake}
        <SnakeBook {lesson} index={at.words} />
      {:else if lesson.link.sum.chain}
        <ChainBook {lesson} index={at.words} />
      {:else if lesson.link.sum.rods}
        <RodsBook {lesson} index={at.words} />
      {:else if one}
        <div class="one">
          <h1>{one.question}</h1>
          {#if one.given}<p class="kid">{one.given}</p>{/if}
        </div>
      {/if}
      <div
        class="written"
        class:tall={rows > 3}
        class:taller={rows > 5}
        hidden={alone || column.kind === 'estimate'}
      >
        {#if expanded}
          <div class="form kid" role="img" aria-label="Expanded form: {column.form.join(' = ')}">
            {#each column.form as line, i (i)}
              <p>{i > 0 ? '= ' : ''}{inOne(line)}</p>
            {:else}
              <p class="none">nothing is written yet</p>
            {/each}
          </div>
        {:else}
          <Column
            {places}
            words={desk.words.places}
            sheet={sheet!}
            {due}
            now={column.place ?? ''}
            {names}
            cell={places.length > 5
              ? Math.floor(236 / places.length)
              : places.length > 4 || rows > 5
                ? 48
                : 56}
            size={rows > 8
              ? 23
              : rows > 5
                ? 32
                : places.length > 5
                  ? 36
                  : places.length > 4
                    ? 40
                    : 46}
          />
        {/if}
      </div>
      <div class="words">
        {#if turn}
          <p class="turn">
            <svg width="22" height="16" viewBox="0 0 22 16" aria-hidden="true">
              <use href="#leaf" transform="translate(1 13) rotate(-10)" />
            </svg>
            <span><b class="private">{turn}</b> <span class="small">has the turn</span></span>
            {#if then}<span class="then">then <span class="private">{then}</span></span>{/if}
          </p>
        {/if}
        {#if asking && next}
          <p class="said kid question" data-asked>{next.ask}</p>
        {:else}
          <p class="said kid" data-said>
            {#each step.says as span, i (i)}{#if span.place}<b style:color="var(--{span.place}-ink)"
                  >{span.text}</b
                >{:else}{span.text}{/if}{/each}
          </p>
        {/if}
        {#if step.kind !== 'estimate' || alone}
          <div class="ways">
            <button class="act" aria-pressed={asks} onclick={turnAsking}
              >{asks ? 'Show at once' : 'Ask first'}</button
            >
            {#if forHands}<button class="act" aria-pressed={!!hands} onclick={toHands}
                >{hands ? 'Show it' : 'In the child’s hands'}</button
              >{/if}
            {#if !alone}<button class="act" onclick={turnOver}>{FORMS[nextForm]}</button>{/if}
          </div>
        {/if}
        {#if lesson.children.length && shared.mayPresent && !ended && (alone ? step.kind === 'estimate' : step.kind !== 'estimate')}
          <Estimate id={params.lesson} nth={lesson.link.nth} {step} />
        {/if}
        {#if one?.shown === 'handful' && shared.mayPresent && !ended && lesson.children[lesson.steps[at.words]?.turn ?? -1]}
          {@const child = lesson.children[step.turn]!}
          {#key child.id}<Timing id={params.lesson} nth={lesson.link.nth} {child} />{/key}
        {/if}
      </div>
    {/if}
  {/snippet}

  {#snippet foot()}
    {#if lesson && step}
      {#if ended}
        <Next label="Back to Today" onclick={() => void push(view('today'))} />
      {:else}
        <Steps
          label={hands && writes
            ? lesson.writeUp
            : hands || asking
              ? 'Show it'
              : (to?.do ?? (goesOn ? 'On to the next one' : lesson.finish))}
          first={hand.index === 0 && !asking && !hands}
          onback={back}
          onnext={forward}
        />
        {#if to && writes && !hands}
          <div class="write"><button class="act" onclick={toRecord}>{lesson.writeUp}</button></div>
        {/if}
        {#if shared.signs}
          <p class="keys" aria-hidden="true"><kbd>backspace</kbd><kbd>space</kbd></p>
        {/if}
      {/if}
    {/if}
  {/snippet}
</Bench>

<style>
  .scene {
    position: absolute;
    inset: 0;
  }
  .about {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    gap: 18px;
    height: 100%;
    padding: 0 40px 60px;
    text-align: center;
  }
  .about > .kid {
    font-size: clamp(44px, 8cqw, 84px);
  }
  .about > .is {
    display: flex;
    align-items: center;
    gap: 18px;
    font-size: clamp(28px, 4.4cqw, 46px);
    color: var(--ink-2);
  }
  .gap {
    width: 3.2em;
    height: 1.7em;
    border: 3px dashed var(--leaf);
    border-radius: var(--r2);
    background: var(--sheet);
  }
  .form {
    min-height: 150px;
    padding: 12px 0 4px;
    font-size: 23px;
    line-height: 34px;
  }
  .form p {
    padding-left: 22px;
    text-indent: -22px;
  }
  .form .none {
    color: var(--ink-2);
  }
  .note {
    position: absolute;
    left: 24px;
    right: 24px;
    bottom: 8px;
    padding: var(--s2) var(--s3);
    background: var(--paper);
    border: 1.5px solid var(--clay);
    border-radius: var(--r2);
  }
  .one .kid {
    font-size: var(--t4);
    line-height: 36px;
  }
  .words {
    margin-top: var(--s3);
    padding-top: var(--s3);
    border-top: 1px solid var(--line);
  }
  .turn {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 6px;
    white-space: nowrap;
  }
  .turn svg {
    flex: none;
  }
  .turn b {
    font-size: var(--t3);
    font-weight: 650;
  }
  .turn .then {
    margin-left: auto;
    font-size: var(--t1);
    color: var(--ink-2);
  }
  .said {
    margin-top: 6px;
    font-size: 26px;
    line-height: 34px;
    white-space: pre-wrap;
  }
  .write {
    display: block;
    margin-bottom: -12px;
  }
  .ways {
    display: flex;
    justify-content: space-between;
    gap: var(--s3);
  }
  .question {
    display: flow-root; /* beside the column, not under it */
    padding: 6px 12px;
    border: 2px dashed var(--leaf);
    border-radius: var(--r2);
    background: var(--sheet);
  }
  .keys {
    display: flex;
    justify-content: space-between;
    margin-top: 6px;
  }
  kbd {
    padding: 0 6px;
    border: 1px solid var(--edge);
    border-radius: 3px;
    font: 400 var(--t1) / 20px var(--text);
    color: var(--ink-2);
  }
  @media (max-width: 900px) {
    .keys {
      display: none;
    }
    .written {
      float: left;
      zoom: var(--zoom, 1);
      margin-right: 28px;
      --zoom: 0.86;
    }
    .written.tall {
      --zoom: 0.68;
    }
    .written.taller {
      --zoom: 0.62;
    }
    .words {
      margin-top: 0;
      padding-top: 0;
      border-top: 0;
    }
  }
  @media (max-width: 700px) and (max-height: 500px) {
    .write {
      flex: 2;
      font-size: var(--t1);
    }
  }
  @media (max-width: 700px) {
    .scene {
      position: relative;
      min-width: 360px;
      height: 440px;
    }
    .scene.wide {
      min-width: 620px;
    }
    .about {
      padding: 0 14px 20px;
    }
    .written,
    .written.tall,
    .written.taller {
      float: none;
      --zoom: 1;
    }
  }
</style>
