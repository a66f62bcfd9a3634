<script lang="ts">
  // Choosing numbers by the swaps that they cause: a stage or knots tied by
  // hand, the exact count, a hand of twelve, or a sum of one's own.
  import { onMount, untrack } from 'svelte';
  import { push, router } from 'svelte-spa-router';
  import { isAlone } from '../../lib/alone';
  import { api } from '../../lib/api';
  import { newId } from '../../lib/id';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Sides from '../../lib/parts/Sides.svelte';
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
  import type {
    Choose,
    ChooseBars,
    ChooseOne,
    ChooseSnake,
    Chosen,
    ChosenBars,
    ChosenOne,
    ChosenSnakes,
    Lesson,
    Stands,
    Sum,
    Trouble,
  } from '../../lib/wire.gen';
  import Boards from './Boards.svelte';
  import BarsChooser from './BarsChooser.svelte';
  import BarsPicked from './BarsPicked.svelte';
  import { BOARDS, boardOf, isBars, isSingle, isSnakes } from './boards';
  import Finer from './Finer.svelte';
  import Hand from './Hand.svelte';
  import OneChooser from './OneChooser.svelte';
  import OnePicked from './OnePicked.svelte';
  import Picked from './Picked.svelte';
  import SnakeChooser from './SnakeChooser.svelte';
  import SnakePicked from './SnakePicked.svelte';
  import States from './States.svelte';
  import Strip from './Strip.svelte';

  const desk = $derived(shared.desk!);
  const TWELVE = 12;
  const LATELY_ONE = 7; // and numbers alone within these
  const LATELY = 30; // days within which those who are planned for get nothing again
  const kept = `choice-2-${shared.desk!.class.id}`;

  const start = (): Choose => ({
    kind: 'sum',
    stage: shared.desk!.stages.find((s) => s.kind === 'sum' && s.opens)?.id ?? '',
    digits: [2, 2],
    fit: true,
    swap: {},
    zeros: 'any',
    count: TWELVE,
    seed: '',
    days: children.length ? LATELY : 0,
    children: forWhom(),
  });
  const stored = (): Choose => {
    try {
      const again = JSON.parse(sessionStorage.getItem(kept) ?? '{}') as Partial<Choose>;
      return { ...start(), ...again, children: forWhom() };
    } catch {
      return start();
    }
  };

  /** What Class plans: a stage, and who comes. */
  const planned = new URLSearchParams(router.querystring ?? '');
  const children = (planned.get('children') ?? '').split(',').filter((id) => id);
  const who = $derived(desk.learners.filter((l) => children.includes(l.id)).map((l) => l.name));
  /** Whose problems are not drawn again: those who come, or the whole class. */
  function forWhom(): string[] {
    return (children.length ? children : shared.desk!.learners.map((l) => l.id)).slice(0, 40);
  }

  let ask = $state<Choose>(stored());
  const keptOne = `one-1-${shared.desk!.class.id}`;
  const keptBoard = `board-1-${shared.desk!.class.id}`;
  const storedOne = (): ChooseOne => {
    const first = { stage: 'tens/one-by-one', count: TWELVE, seed: '' };
    try {
      return { ...first, ...(JSON.parse(sessionStorage.getItem(keptOne) ?? '{}') as ChooseOne) };
    } catch {
      return first;
    }
  };
  let oneAsk = $state<ChooseOne>({
    ...storedOne(),
    children: untrack(forWhom),
    days: LATELY_ONE,
  });
  let one = $state<ChosenOne>();
  const SIX = 6;
  const keptSnake = `snake-1-${shared.desk!.class.id}`;
  const storedSnake = (): ChooseSnake => {
    const first = { bars: 7, left: {}, cut: 'no', end: 'any', count: SIX, seed: '' };
    try {
      return {
        ...first,
        ...(JSON.parse(sessionStorage.getItem(keptSnake) ?? '{}') as ChooseSnake),
      };
    } catch {
      return first;
    }
  };
  let snakeAsk = $state<ChooseSnake>({
    ...storedSnake(),
    children: untrack(forWhom),
    days: LATELY_ONE,
  });
  let chosenSnakes = $state<ChosenSnakes>();
  let chooser = $state<SnakeChooser>();
  let stands = $state<Stands>();
  let board = $state(BOARDS.find((b) => b.id === sessionStorage.getItem(keptBoard))?.id ?? 'sum');
  /** One number is asked alone, instead of a problem. */
  const single = $derived(isSingle(board));
  const snakes = $derived(isSnakes(board));
  const ofBars = $derived(isBars(board));
  const keptBars = (kind: string): string => `${kind}-1-${shared.desk!.class.id}`;
  const storedBars = (kind: string): ChooseBars => {
    const first = { kind, wanted: {}, count: TWELVE, seed: '' };
    try {
      const again = JSON.parse(sessionStorage.getItem(keptBars(kind)) ?? '{}') as ChooseBars;
      return { ...first, ...again, children: forWhom(), days: LATELY_ONE };
    } catch {
      return { ...first, children: forWhom(), days: LATELY_ONE };
    }
  };
  let barsAsk = $state<ChooseBars>(untrack(() => storedBars(board)));
  let chosenBars = $state<ChosenBars>();
  /** What is laid has no cords, and no wishes for places. */
  const laid = $derived(single || snakes || ofBars);
  let chosen = $state<Chosen>();
  let picked = $state<Sum>();
  let hand = $state('ones');
  let typed = $state('');
  let wrong = $state<Trouble>(); // beside the typed sum
  let trouble = $state<Trouble>(); // of the choice
  let opening = $state(false);
  let finer = $state(false); // whether more options are shown instead of the twelve
  let asked = 0;
  let choosing = $state(false); // a choice is on its way: what is picked is of the last one

  const ZEROS = [
    { value: 'no', name: 'never' },
    { value: 'any', name: 'either' },
    { value: 'yes', name: 'always' },
  ];
  const material = $derived(desk.settings.material);
  const HIDDEN = 3; // so many of what the problems cannot show are named

  /** The last asking: what changes lengths waits until they are known. */
  let pending: Promise<void> = Promise.resolve();
  const choose = (next: Choose): Promise<void> => (pending = send(next));
  /** Asks for some to choose from. Only the last asking counts; what was picked or looked at
      meanwhile stays. */
  async function asking<T>(
    path: string,
    body: object,
    take: (got: T) => { first?: Sum; says: string },
  ): Promise<void> {
    const turn = ++asked;
    const before = picked;
    choosing = true;
    try {
      const got = await guarded(api<T>('POST', classPath(path), body));
      if (turn !== asked) return;
      trouble = undefined;
      const { first, says } = take(got);
      if (picked === before) picked = first;
      shared.said = says;
    } catch (error) {
      if (turn === asked) trouble = troubleOf(error);
    } finally {
      if (turn === asked) choosing = false;
    }
  }
  function send(next: Choose): Promise<void> {
    ask = next;
    return asking<Chosen>('/choose', next, (got) => {
      chosen = got;
      const { children, days, spread, brings } = next;
      ask = { ...got.choice, children, days, spread, brings, count: TWELVE, seed: '' };
      sessionStorage.setItem(kept, JSON.stringify({ ...ask, seed: got.seed }));
      if (!got.knots.some((k) => k.place === hand)) hand = got.knots[0]?.place ?? 'ones';
      return { first: got.problems[0], says: `${got.fits} problems fit` };
    });
  }

  /** Picks a stage; the lengths of the numbers are fitted to it. */
  const stage = (id: string): void => {
    const s = desk.stages.find((x) => x.id === id);
    if (!s) return;
    toBoard(boardOf(s), false);
    if (s.kind === 'chain') {
      void chooseBars(storedBars(s.kind));
      return;
    }
    if (s.kind === 'snake') {
      const left = s.cut === 'no' ? {} : snakeAsk.left;
      void chooseSnakes({ ...snakeAsk, cut: s.cut ?? 'any', left, seed: '' });
      return;
    }
    if (s.kind === 'number') {
      void chooseOne({ stage: id, count: TWELVE, seed: '', children: forWhom(), days: LATELY_ONE });
      return;
    }
    const before = desk.stages.find((x) => x.id === ask.stage);
    const alike = ask.kind === s.kind && (before?.most ?? s.most) === s.most;
    const digits = alike ? ask.digits : [];
    void choose({ ...plain(), kind: s.kind, stage: id, digits, zeros: ask.zeros, fit: true });
  };
  /** The choice without wishes: what the shelf has, and who has had what, stays. */
  const plain = (): Choose => ({
    digits: [],
    stage: '',
    swap: {},
    zeros: 'any',
    limit: ask.limit,
    groups: ask.groups,
    children: ask.children,
    days: ask.days,
    spread: ask.spread,
    count: TWELVE,
    seed: '',
  });
  /** Touches a board: its stages are shown, and its first is chosen. */
  function toBoard(id: string, opens = true): void {
    if (board === id) return;
    board = id;
    sessionStorage.setItem(keptBoard, id);
    if (!opens) return;
    picked = undefined;
    if (id === 'number-rods') return void chooseBars(storedBars(id));
    const here = desk.stages.filter((s) => boardOf(s) === id);
    const wanted = here.find((s) => stands?.stages[s.id]?.ready.length) ?? here[0];
    const first = isSingle(id) || isSnakes(id) ? wanted : (here.find((s) => s.opens) ?? here[0]);
    if (first) stage(first.id);
  }
  function chooseOne(next: ChooseOne): Promise<void> {
    oneAsk = next;
    return asking<ChosenOne>('/numbers', next, (got) => {
      one = got;
      oneAsk = { ...got.choice, children: next.children, days: next.days, count: TWELVE, seed: '' };
      sessionStorage.setItem(keptOne, JSON.stringify({ ...got.choice, seed: got.seed }));
      return { first: got.problems[0], says: `${got.left} questions fit` };
    });
  }
  function chooseSnakes(next: ChooseSnake): Promise<void> {
    snakeAsk = next;
    return asking<ChosenSnakes>('/snakes', next, (got) => {
      chosenSnakes = got;
      const { children, days } = next;
      snakeAsk = { ...got.choice, children, days, count: SIX, seed: '' };
      sessionStorage.setItem(keptSnake, JSON.stringify({ ...got.choice, seed: got.seed }));
      return { first: got.snakes[0], says: `${got.fits} snakes fit` };
    });
  }
  function chooseBars(next: ChooseBars): Promise<void> {
    barsAsk = next;
    return asking<ChosenBars>('/bars', next, (got) => {
      chosenBars = got;
      const { children, days } = next;
      barsAsk = { ...got.choice, children, days, count: TWELVE, seed: '' };
      sessionStorage.setItem(
        keptBars(next.kind),
        JSON.stringify({ ...got.choice, seed: got.seed }),
      );
      return { first: got.problems[0], says: `${got.left} questions fit` };
    });
  }
  const stageNow = $derived(
    ofBars
      ? (desk.stages.find((s) => s.kind === board)?.id ?? 'none')
      : snakes
        ? (chosenSnakes?.stage ?? '')
        : single
          ? (one?.choice.stage ?? oneAsk.stage)
          : ask.stage,
  );
  const take = (choice: Choose): void =>
    void choose({
      ...choice,
      children: forWhom(),
      days: ask.days,
      spread: ask.spread,
      count: TWELVE,
      seed: '',
    });
  const tie = (place: string, state: string): void => {
    hand = place;
    const swap = { ...ask.swap };
    if (state === 'any') delete swap[place];
    else swap[place] = state;
    void choose({ ...ask, swap });
  };
  async function digits(change: (lengths: number[]) => number[]): Promise<void> {
    if (ask.fit) await pending;
    void choose({ ...ask, digits: change(ask.digits) });
  }
  const redraw = (): void =>
    void (ofBars
      ? chooseBars({ ...barsAsk, seed: '' })
      : snakes
        ? chooseSnakes({ ...snakeAsk, seed: '' })
        : single
          ? chooseOne({ ...oneAsk, seed: '' })
          : choose({ ...ask, seed: '' }));
  /** A digit is a lane of the snakes, or what mends a choice. */
  function digit(n: number): void {
    if (snakes) return chooser?.turn(n);
    const mend = chosen?.mends[n - 1];
    if (!laid && mend) take(mend.choice);
  }
  const bars = (more: number): void => {
    if (snakes) void chooseSnakes({ ...snakeAsk, bars: snakeAsk.bars + more, seed: '' });
  };

  const look = (event: SubmitEvent): void => {
    event.preventDefault();
    void lookAt(typed);
  };
  async function lookAt(text: string): Promise<void> {
    const before = picked;
    picked = undefined; // nothing is gathered for a sum that is not looked at yet
    try {
      picked = await guarded(api<Sum>('POST', classPath('/look'), { text }));
      wrong = undefined;
      shared.said = `${picked.text}: ${picked.stage.name}`;
    } catch (error) {
      picked = before;
      wrong = troubleOf(error);
    }
  }

  async function gather(): Promise<void> {
    if (!picked || opening || choosing) return;
    opening = true;
    const id = newId();
    const from = snakes || ofBars ? undefined : single ? one : chosen;
    const drawn = from?.problems.some((p) => p.text === picked?.text);
    const body = {
      id,
      tasks: [{ task: picked.task, stage: drawn ? from?.choice.stage : '' }],
      children,
    };
    try {
      await saved(api<Lesson>('POST', classPath('/lessons'), body));
      await loadDesk(desk.class.id);
      await push(view(`gather/${id}`));
    } catch (error) {
      trouble = troubleOf(error);
    } finally {
      opening = false;
    }
  }

  function pick(sum: Sum): void {
    picked = sum;
    shared.said = isAlone(sum) ? sum.said : `${sum.text}, ${sum.swaps}`;
  }

  onMount(() => {
    const id = planned.get('stage');
    void guarded(api<Stands>('GET', classPath('/stands'))).then(
      (got) => (stands = got),
      () => undefined, // without it nothing is folded or counted, and all can be chosen
    );
    if (id && desk.stages.some((s) => s.id === id)) stage(id);
    else if (ofBars) void chooseBars(barsAsk);
    else if (snakes) void chooseSnakes(snakeAsk);
    else if (single) void chooseOne(oneAsk);
    else void choose(ask);
  });
</script>

<svelte:window
  onkeydown={shortcuts({
    space: gather,
    d: redraw,
    f: () => !laid && (finer = !finer),
    '+': () => bars(1),
    '-': () => bars(-1),
    ...Object.fromEntries([1, 2, 3, 4, 5, 6, 7, 8].map((n) => [String(n), () => digit(n)])),
  })}
/>

{#snippet cords(where: string)}
  <div class="how small {where}">
    <p>Each cord is a place, ones on the right. The knot between two shows:</p>
    <p><b>Linked loops</b>: {desk.words.aSwap}.</p>
    <p><b>Ends apart</b>: {desk.words.noSwap}.</p>
    <p><b>Dashed loops</b>: either.</p>
  </div>
{/snippet}

<Bench
  title="Numbers"
  lead="shelf"
  keys={[
    ['space', 'gather for the chosen problem'],
    ['d', 'draw twelve more'],
    ['f', 'more options'],
    ['1 … 4', 'a choice that fits, where nothing does'],
    ['+ −', 'a bar more or fewer in a snake'],
    ['1 … 8', 'what a ten leaves of a bar: may, comes up, never'],
    ['arrows', 'along the knots, or the problems'],
  ]}
  drawer={laid ? 336 : 200}
  shelfSays={desk.stages.find((s) => s.id === stageNow)?.name ?? 'my own pattern'}
  bookSays={picked ? `${picked.said} chosen` : ''}
>
  {#snippet shelf()}
    <Boards
      stages={desk.stages}
      {stands}
      stage={stageNow}
      {board}
      coming={children}
      onboard={toBoard}
      onstage={stage}
      onown={() => void choose({ ...ask, stage: '' })}
    />
    {#if !laid}{@render cords('tall')}{/if}
    <form class="own" onsubmit={look} novalidate>
      <label for="own">{snakes ? 'Bars of your own' : 'Numbers of your own'}</label>
      <span>
        <input
          id="own"
          class="kid"
          class:wrong
          inputmode="text"
          autocomplete="off"
          placeholder={board === 'chain'
            ? '4s in 28'
            : ofBars
              ? 'rods 5 and 4'
              : snakes
                ? '8,5,9,4'
                : board === 'tens'
                  ? '17'
                  : single
                    ? '342'
                    : '47+25'}
          bind:value={typed}
          aria-describedby={wrong ? 'own-wrong' : undefined}
        />
        <Plain type="submit">Look</Plain>
      </span>
      {#if wrong}<Wrong trouble={wrong} id="own-wrong" />{/if}
    </form>
  {/snippet}

  {#snippet mat()}
    <div class="numbers" aria-busy={choosing}>
      {#if ofBars && chosenBars?.choice.kind === board}
        <BarsChooser
          chosen={chosenBars}
          {trouble}
          {picked}
          onwant={(row, ids) =>
            void chooseBars({ ...barsAsk, wanted: { ...barsAsk.wanted, [row]: ids }, seed: '' })}
          onagain={() => void chooseBars({ ...barsAsk, days: 0 })}
          onpick={pick}
          onredraw={redraw}
        />
      {:else if snakes && chosenSnakes}
        <SnakeChooser
          bind:this={chooser}
          chosen={chosenSnakes}
          {trouble}
          {picked}
          onchoose={(change) => void chooseSnakes({ ...snakeAsk, ...change, seed: '' })}
          onpick={pick}
          onredraw={redraw}
        />
      {:else if single && one}
        <OneChooser
          chosen={one}
          {trouble}
          {picked}
          {material}
          onchoose={(change) => void chooseOne({ ...oneAsk, ...change })}
          onpick={pick}
          onredraw={redraw}
        />
      {:else if chosen && !laid}
        <div class="top">
          <Strip
            {chosen}
            {ask}
            words={desk.words}
            {hand}
            onhand={(p) => (hand = p)}
            ontie={tie}
            ondigits={digits}
          />
          <div class="states">
            <States {chosen} kind={ask.kind ?? 'sum'} words={desk.words} {hand} ontie={tie} />
          </div>
        </div>
        <div class="saying">
          <p class="says">{chosen.says}</p>
          <select
            aria-label="Which slip the numbers bring out"
            value={ask.brings ?? ''}
            onchange={(e) => void choose({ ...ask, brings: e.currentTarget.value, seed: '' })}
          >
            <option value="">brings out any slip</option>
            {#if ask.brings && !chosen.slips.some((s) => s.id === ask.brings)}
              <option value={ask.brings}>brings out: a slip that they cannot show</option>
            {/if}
            {#each chosen.slips as s (s.id)}<option value={s.id}>brings out: {s.name}</option
              >{/each}
          </select>
        </div>
        <div class="bar">
          <div class="tabs" role="tablist" aria-label="What is shown below">
            <button role="tab" aria-selected={!finer} onclick={() => (finer = false)}>
              {chosen.problems.length === TWELVE
                ? 'Twelve of them'
                : chosen.problems.length
                  ? 'All of them'
                  : 'None of them'}
            </button>
            <button role="tab" aria-selected={finer} onclick={() => (finer = true)}
              >More options</button
            >
          </div>
          <div class="zeros">
            <span>zeros</span>
            <Sides
              label="Zeros in the numbers"
              sides={ZEROS}
              now={ask.zeros}
              onset={(zeros) => void choose({ ...ask, zeros })}
            />
          </div>
          <Plain disabled={BigInt(chosen.fits) <= TWELVE} onclick={redraw}>Draw twelve more</Plain>
        </div>
        {#if trouble}<Wrong {trouble} />{/if}
        {#if chosen.clash}
          <div class="clash">
            <p>{chosen.clash}</p>
            <div class="mends">
              {#each chosen.mends.slice(0, finer ? 4 : 8) as mend, i (mend.text)}
                <Plain onclick={() => take(mend.choice)}>
                  {#if shared.signs && i < 4}<kbd aria-hidden="true" data-n={i + 1}></kbd>{/if}
                  {mend.text}
                  <span class="kid">{BigInt(mend.fits).toLocaleString('en')} fit</span>
                </Plain>
              {/each}
            </div>
          </div>
        {:else if chosen.fits === '0'}
          <div class="clash">
            <p>All the problems that fit were used recently.</p>
            <Plain onclick={() => void choose({ ...ask, days: 0 })}>Use them again</Plain>
          </div>
        {/if}
        {#if ask.brings && !chosen.problems.length && chosen.fits !== '0'}
          <div class="clash">
            <p>These numbers do not bring it out: with this slip they come to the right answer.</p>
            <Plain onclick={() => void choose({ ...ask, brings: '', seed: '' })}
              >No slip in particular</Plain
            >
          </div>
        {/if}
        {#if finer}
          <Finer
            {chosen}
            {ask}
            words={desk.words}
            {hand}
            {who}
            onask={(next) => void choose(next)}
            ontake={take}
          />
        {:else if chosen.fits !== '0'}
          <Hand sums={chosen.problems} picked={picked?.text} onpick={pick} />
        {/if}
      {:else if trouble}
        <Wrong {trouble} />
        {#if snakes}<Plain onclick={() => void push(view('settings'))}>To the settings</Plain>
        {:else}<Plain onclick={() => choose(start())}>Start again</Plain>{/if}
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    <h1 class="joining">In the book</h1>
    {#if picked?.snake}
      <SnakePicked
        sum={picked}
        ready={stands?.stages[picked.stage.id]?.ready ?? []}
        wobbling={stands?.stages[picked.stage.id]?.wobbling ?? []}
      />
    {:else if picked?.chain || picked?.rods}
      <BarsPicked
        sum={picked}
        ready={stands?.stages[picked.stage.id]?.ready ?? []}
        wobbling={stands?.stages[picked.stage.id]?.wobbling ?? []}
      />
    {:else if picked?.one}
      <OnePicked
        sum={picked}
        ready={stands?.stages[picked.stage.id]?.ready ?? []}
        wobbling={stands?.stages[picked.stage.id]?.wobbling ?? []}
      />
    {:else if picked}
      <Picked sum={picked} words={desk.words} {material} />
      {#if picked.asChain}
        {@const text = picked.asChain}
        <button class="would" onclick={() => void lookAt(text)}>See it as a chain</button>
      {/if}
    {:else}
      <p class="small">The problem you choose is written here, with the pieces it needs.</p>
    {/if}
    {#if !laid && chosen?.hidden.length && chosen.problems.length > 1}
      <h2 class="cannot">Cannot show</h2>
      <ul class="hidden small">
        {#each chosen.hidden.slice(0, HIDDEN) as says (says)}<li>{says}</li>{/each}
        {#if chosen.hidden.length > HIDDEN}<li>and {chosen.hidden.length - HIDDEN} more</li>{/if}
      </ul>
      {#if chosen.would}
        {@const would = chosen.would}
        <button class="would" onclick={() => pick(would)}>{would.said} would show most of it</button
        >
      {/if}
    {/if}
    {#if !laid}{@render cords('short')}{/if}
  {/snippet}
  {#snippet foot()}
    {#if picked?.why}<p class="why">{picked.why}</p>{/if}
    {#if who.length}<p class="small">For {who.join(', ')}</p>{/if}
    <Next label="Gather" key="space" disabled={!picked || opening || choosing} onclick={gather} />
  {/snippet}
</Bench>

<style>
  .saying {
    display: flex;
    align-items: flex-end;
    justify-content: space-between;
    gap: 0 16px;
    margin-top: 6px;
  }
  .says {
    color: var(--ink-2);
    line-height: 20px;
  }
  .saying select {
    flex: none;
    width: 208px;
    min-height: 44px;
    padding: 0 8px;
    border: 1px solid var(--edge);
    border-radius: var(--r2);
    background: var(--paper);
    font: 400 var(--t1) var(--text);
    color: var(--ink);
  }
  @media (min-width: 1200px) and (max-width: 1500px) {
    .saying select {
      margin-top: -24px; /* beside the strip, where nothing is */
    }
  }
  @media (max-width: 700px) {
    .saying {
      display: block;
    }
  }
  .cannot {
    margin-top: 10px;
  }
  .hidden li::first-letter {
    text-transform: uppercase;
  }
  .would {
    min-height: 44px;
    color: var(--leaf);
    font-weight: 650;
    text-align: left;
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  .tabs {
    display: flex;
    gap: var(--s3);
  }
  .tabs button {
    min-height: 44px;
    border-bottom: 3px solid var(--none);
    font-size: var(--t3);
    white-space: nowrap;
  }
  .tabs button[aria-selected='true'] {
    border-color: var(--leaf);
    font-weight: 650;
  }
  kbd {
    padding: 0 7px;
    margin-right: 8px;
    border: 1px solid var(--edge);
    border-radius: 3px;
    font: 400 var(--t1) / 20px var(--text);
    color: var(--ink-2);
  }
  kbd::before {
    content: attr(data-n);
  }

  .how {
    margin-top: var(--s3);
  }
  .how b {
    font-weight: 600;
  }
  .how.short {
    display: none;
  }
  .how.short p {
    display: inline;
  }
  /* Where the shelf has no room for it, the book has. */
  @media (max-height: 880px) and (min-width: 700.1px),
    (max-height: 1190px) and (min-width: 1600px),
    (min-width: 700.1px) and (max-width: 900px) {
    .how.tall {
      display: none;
    }
    .how.short {
      display: block;
    }
  }
  .own {
    margin-top: auto;
    padding-top: var(--s3);
  }
  .own label {
    display: block;
    font-size: var(--t1);
    font-weight: 600;
    color: var(--ink-2);
    margin-bottom: 4px;
  }
  .own span {
    display: flex;
    gap: 6px;
  }
  .own input {
    width: 100%;
    min-width: 0;
    height: 44px;
    padding: 0 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font-size: 18px;
  }
  .own input.wrong {
    border-color: var(--clay);
  }
  .own :global(.wrong[role]) {
    margin-top: 6px;
  }
  .numbers {
    display: flex;
    flex-direction: column;
    height: 100%;
    padding: var(--s3) 20px var(--s2) 24px;
  }
  .top {
    display: flex;
    justify-content: space-between;
    gap: var(--s3);
  }
  .states {
    width: 208px;
    flex: none;
  }
  .bar {
    display: flex;
    align-items: center;
    gap: var(--s4);
    margin: var(--s3) 0 6px;
  }
  .zeros {
    display: flex;
    align-items: center;
    margin-left: auto;
  }
  .zeros span {
    margin-right: var(--s2);
    font-size: var(--t1);
    color: var(--ink-2);
  }
  .clash {
    display: flex;
    flex-direction: column;
    align-items: flex-start;
    gap: var(--s3);
    padding: var(--s2) 0;
  }
  .mends {
    display: flex;
    flex-wrap: wrap;
    gap: var(--s2);
  }
  .clash p {
    font-size: var(--t3);
    line-height: 28px;
  }
  .clash span {
    margin-left: var(--s3);
    color: var(--ink);
    font-weight: 400;
  }
  @media (max-width: 1100px) and (min-width: 901px) {
    .numbers {
      padding: var(--s2) 12px 4px 14px;
    }
    .top {
      flex-direction: column;
      gap: 2px;
    }
    .states {
      width: auto;
    }
    .bar {
      gap: 4px;
      margin: 4px 0;
    }
    .tabs {
      gap: 6px;
    }
    .tabs button {
      font-size: 15px;
    }
    .bar :global(> button) {
      padding: 0 6px;
    }
    .zeros span {
      display: none;
    }
  }
  @media (min-width: 700.1px) and (max-width: 900px) {
    .joining {
      display: none;
    }

    .own {
      margin: 6px 0 0;
      padding: 0;
    }
  }
  .why {
    margin-bottom: var(--s2);
    line-height: 20px;
    color: var(--clay-ink);
    font-weight: 600;
  }
  @media (max-width: 700px) {
    .numbers {
      height: auto;
      padding: var(--s3) 14px;
    }

    .top {
      flex-direction: column;
    }
    .states {
      width: auto;
    }
    .bar,
    .tabs {
      flex-wrap: wrap;
    }
    .zeros {
      margin-left: 0;
    }
  }
</style>
