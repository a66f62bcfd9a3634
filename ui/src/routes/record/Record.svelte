<script lang="ts">
  // Writing up who did what. Rows come as the mat saw them, dashed: one touch
  // makes one of them true, or all. A child that is opened takes digits.
  import { onMount } from 'svelte';
  import { newId } from '../../lib/id';
  import { push } from 'svelte-spa-router';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import { LessonInHand } from '../../lib/lesson.svelte';
  import BackArrow from '../../lib/parts/BackArrow.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Tick from '../../lib/parts/Tick.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import Written from '../../lib/parts/Written.svelte';
  import HelpSign from '../../lib/pieces/HelpSign.svelte';
  import MannerLeaf from '../../lib/pieces/MannerLeaf.svelte';
  import { outbox } from '../../lib/outbox.svelte';
  import { fromEntry, Records } from '../../lib/records.svelte';
  import { loadDesk, shared, view } from '../../lib/state.svelte';
  import type { Gave, Learner, Named, Observe } from '../../lib/wire.gen';
  import Glance from '../../lib/ones/Glance.svelte';
  import BarsRow from '../../lib/bars/BarsRow.svelte';
  import Alone from '../mat/Alone.svelte';
  import Scene from '../mat/Scene.svelte';
  import Conflict from './Conflict.svelte';
  import Estimates from './Estimates.svelte';
  import Open from './Open.svelte';
  import Slip from './Slip.svelte';
  import { figures, sawIn } from './answer';

  let { params }: { params: { lesson: string } } = $props();

  // svelte-ignore state_referenced_locally
  const records = Records.of(params.lesson);
  // svelte-ignore state_referenced_locally
  const hand = LessonInHand.of(params.lesson);
  const desk = $derived(shared.desk!);
  const page = $derived(records.page);
  const lesson = $derived(hand.lesson);
  let nth = $state(0);
  let picked = false; // a task was touched
  let openId = $state('');
  let draft = $state<Observe>();
  let touched = $state(false);
  let white = $state<Open>();
  let w = $state(0);
  let h = $state(0);

  const may = $derived(shared.mayPresent);
  const ended = $derived(page?.link.stand === 'ended');
  const problem = $derived(page?.tasks[nth]);
  const ofBars = $derived(problem?.snake ?? problem?.chain ?? problem?.rods);
  const alone = $derived(!!problem?.one || !!ofBars);
  const children = $derived(page?.children ?? []);
  const todo = $derived(children.filter((c) => !records.written(c.id, nth)));
  const manners = $derived(problem?.manners.map((m) => m.id) ?? []);
  const mannerName = (id: string): string => problem?.manners.find((m) => m.id === id)?.name ?? '';
  const helpName = (id: string): string => page?.helps.find((x) => x.id === id)?.name ?? '';
  const COUNTS = ['', '', 'Both', 'All three', 'All four'];

  /** The places that were a child's own; none for all of it. */
  const partOf = (part: string[] | undefined): Named[] =>
    (problem?.parts ?? []).filter((p) => part?.includes(p.id));
  /** How a child's row reads: what waits, what is written, or what the mat saw. */
  interface Line {
    part: Named[]; // which places were the child's own; none for all of it
    turn: boolean; // it had a turn
    answer: string;
    help: string;
    manner: string;
    right: boolean;
    written: boolean;
    nothing: boolean;
    slips: string[];
    runs: number;
    came: string; // how it came, where that bears on what it counts for
  }
  function line(c: Learner): Line {
    const { entry, waits } = records.latest(c.id, nth);
    const row = problem!.rows.find((r) => r.learner === c.id)!;
    const from = records.written(c.id, nth) ? (waits ?? entry) : undefined;
    if (!from) {
      const as = draft && openId === c.id ? draft : { help: row.help, manner: row.manner };
      return {
        part: partOf(draft && openId === c.id ? draft.part : row.part),
        turn: row.turn,
        answer: problem!.result,
        help: as.help,
        manner: as.manner,
        right: true,
        written: false,
        nothing: false,
        slips: [],
        runs: 0,
        came: '',
      };
    }
    return {
      part: partOf(from.part),
      turn: true,
      answer: from.answer,
      help: from.help,
      manner: from.manner,
      right: waits ? true : entry!.right, // the server judges; until then nothing is said of it
      written: true,
      nothing: from.withdrawn ?? false,
      slips: waits ? [] : entry!.slips,
      runs: row.kept.length,
      came: waits ? (from.came === 'default' ? desk.words.atOnce : '') : entry!.cameSays,
    };
  }

  /** Whether what is written of a child has not come through at the first try. */
  const onItsWay = (c: Learner, i: number): boolean =>
    !outbox.trying && records.latest(c.id, i).waits !== undefined;

  /** A record of a child as the mat saw it, or as it is written now. */
  function begin(c: Learner): Observe {
    const { entry, waits } = records.latest(c.id, nth);
    const id = newId();
    if (records.written(c.id, nth)) {
      const from = waits ?? fromEntry(entry!);
      return { ...from, id, replaces: from.id, withdrawn: false, anotherRun: false };
    }
    const row = problem!.rows.find((r) => r.learner === c.id)!;
    return {
      id,
      learner: c.id,
      nth,
      part: row.part,
      answer: problem!.result,
      came: 'marked',
      help: row.help,
      manner: row.manner,
      way: '',
      chosen: false,
      runs: 1,
      day: page!.link.stand === 'ended' ? page!.day : page!.today,
    };
  }
  /** What a correction goes back to when it is undone. */
  const before = (c: Learner): ReturnType<typeof records.latest>['entry'] =>
    records.written(c.id, nth) ? records.latest(c.id, nth).entry : undefined;

  function openChild(c: Learner): void {
    if (!may) return;
    write();
    if (openId === c.id) {
      openId = '';
      return;
    }
    draft = begin(c);
    touched = false;
    openId = c.id;
    shared.said = `${c.name}, ${helpName(draft.help)}`;
  }
  /** Keeps the child that is open, if anything was touched or nothing is written yet. */
  function write(): void {
    const c = children.find((x) => x.id === openId);
    if (!c || !draft || !touched) return;
    records.keep(draft, before(c));
    draft = undefined;
    openId = '';
  }
  /** Who is written next: the first after the open child, or before it, of whom nothing is. */
  const following = $derived.by(() => {
    const at = children.findIndex((c) => c.id === openId);
    const rest = [...children.slice(at + 1), ...children.slice(0, Math.max(0, at))];
    return rest.find((c) => !records.written(c.id, nth));
  });
  function onward(): void {
    const next = following;
    touched = true;
    write();
    openId = '';
    draft = undefined;
    if (next) openChild(next);
  }
  const mark = (c: Learner): void => {
    if (may && !records.written(c.id, nth)) records.keep(begin(c));
  };
  function allRight(): void {
    if (!may || isOpen || todo.length === 0) return;
    const came = todo.length > 1 ? 'default' : 'marked';
    records.keepAll(todo.map((c) => ({ made: { ...begin(c), came } })));
  }
  const allSays = $derived(
    todo.length === 1
      ? `${todo[0]!.name} right`
      : todo.length < children.length
        ? 'The others right'
        : `${COUNTS[todo.length] ?? 'All'} right`,
  );
  function nothing(): void {
    const c = children.find((x) => x.id === openId);
    if (!c || !draft) return;
    records.keep({ ...draft, withdrawn: true }, before(c));
    openId = '';
  }
  async function finish(): Promise<void> {
    write();
    if (!ended) {
      await hand.change({ stand: 'ended' });
      if (hand.trouble) return;
    }
    await records.sent();
    await loadDesk(desk.class.id);
    await push(view('today'));
  }
  /** Takes the next task of the lesson in hand. */
  async function goOn(): Promise<void> {
    write();
    await hand.change({ nth: page!.index + 1 });
    if (!hand.trouble) await push(view(`mat/${params.lesson}`));
  }
  async function more(): Promise<void> {
    write();
    await hand.change({ more: true });
    if (!hand.trouble) await push(view(`mat/${params.lesson}`));
  }
  const show = (i: number): void => {
    write();
    openId = '';
    picked = true;
    nth = i;
  };
  const isOpen = $derived(openId !== '' && draft !== undefined);
  /** What the answer that is typed means; nothing where no slip gives it, or where the child's
      own places are right. */
  const gave = $derived.by((): Gave | undefined => {
    if (!draft || draft.came !== 'typed' || !problem) return undefined;
    const { answer, part } = draft;
    const saw = sawIn(answer, problem.seen);
    const found = problem.wrong.find((g) =>
      saw ? g.answer === saw : figures(g.answer) !== '' && figures(g.answer) === figures(answer),
    );
    return !part?.length || found?.places.some((p) => part.includes(p)) ? found : undefined;
  });
  const slipSays = $derived(
    gave?.slips
      .map((ids) => ids.map((id) => page!.slips[id]?.says ?? '').join('; and '))
      .join(', or '),
  );
  /** Goes to the step of the mat that helps; what is open stays as it is typed until then. */
  async function toStep(): Promise<void> {
    const at = lesson?.steps.findIndex((s) => s.at === gave?.at) ?? -1;
    if (at < 0 || nth !== page?.index || ended || !may) return;
    write();
    hand.go(at);
    await push(view(`mat/${params.lesson}`));
  }
  const action = $derived.by(() => {
    if (isOpen) {
      return { label: following ? `Save, then ${following.name}` : 'Save', act: onward };
    }
    if (todo.length > 0) {
      return { label: `Record ${todo[0]!.name}`, act: () => openChild(todo[0]!) };
    }
    const left =
      page?.tasks.findIndex((_, i) =>
        children.some(
          (c) => !records.written(c.id, i) && (i < page!.index || (ended && i === page!.index)),
        ),
      ) ?? -1;
    if (left >= 0 && left !== nth)
      return { label: `Record ${page!.tasks[left]!.text}`, act: () => show(left) };
    const next = page ? page.tasks[page.index + 1] : undefined;
    if (next && !ended) return { label: `On to ${next.text}`, act: () => void goOn() };
    return { label: ended ? 'Back to Today' : 'Finish the lesson', act: () => void finish() };
  });

  const change = (c: Partial<Observe>): void => {
    if (!draft) return;
    draft = { ...draft, ...c };
    touched = true;
  };
  const keyDigit = (d: string): void => {
    if (isOpen) white?.digit(d);
    else if (children[Number(d) - 1]) openChild(children[Number(d) - 1]!);
  };
  const help = (id: string) => (): void => change({ help: id });
  const digits = Object.fromEntries([...'0123456789'].map((d) => [d, () => keyDigit(d)]));
  function backspace(): void {
    if (!isOpen) records.undo();
    else white?.wipe();
  }

  onMount(() => {
    // What was touched while it was read again stays.
    void records.load().then(() => picked || openId || (nth = records.page?.index ?? 0));
    void hand.load();
    return write;
  });
</script>

<svelte:window
  onkeydown={shortcuts({
    space: () => may && action.act(),
    enter: () => isOpen && onward(),
    escape: () => ((openId = ''), (draft = undefined)),
    backspace,
    r: () => white?.right(),
    y: allRight,
    '.': () => white?.rest(),
    '+': () => white?.rest(),
    ',': () => white?.rest(),
    '<': () => white?.key('<'),
    '>': () => white?.key('>'),
    s: help('shown'),
    t: help('together'),
    n: help('nudged'),
    a: help('alone'),
    e: help('explains'),
    m: () =>
      isOpen && change({ manner: manners[(manners.indexOf(draft!.manner) + 1) % manners.length]! }),
    o: () => white?.note(),
    l: () => void toStep(),
    ...digits,
  })}
/>

<Bench
  personal
  title="Record"
  scene
  bookWidth={348}
  lead="book"
  lesson={page?.link}
  mark={(page?.link.ribbon.length ?? 1) - 1}
  keys={[
    ['space', 'open the next child, or save and go on'],
    ['y', 'all right, in one touch'],
    ['1 to 4', 'open a child; digits once it is open'],
    ['r', 'right'],
    ['s t n a e', 'shown, with help, prompted, alone, explains'],
    ['m', 'the next way of working'],
    ['o', 'a note'],
    ['l', 'to the step that helps, after a wrong answer'],
    ['backspace', 'clear a digit, or undo'],
    ['escape', 'close the child, nothing saved'],
  ]}
  drawer={isOpen ? 400 : 300}
  shelfSays={page?.tasks.length === 1 ? 'one problem' : `${page?.tasks.length ?? 0} problems`}
  bookSays={todo.length ? `${todo.length} to record` : 'all recorded'}
>
  {#snippet shelf()}
    <h1>This lesson</h1>
    {#if page && problem}
      <div class="heads small" style:--n={children.length}>
        {#each children as c (c.id)}<span>{c.name.split(' ')[0]}</span>{/each}
      </div>
      <ol>
        {#each page.tasks as p, i (i)}
          <li class:on={i === nth}>
            <button onclick={() => show(i)} aria-current={i === nth}>
              {#if p.one}
                <span class="kid short"
                  >{p.one.rows.length
                    ? p.one.rows.map((r) => r.numeral).join(', ')
                    : p.one.number}<span class="small">{p.one.answeredName}</span></span
                >
              {:else if p.snake ?? p.chain ?? p.rods}
                <span class="kid short"
                  ><BarsRow sum={p} width={72} most={4} lines={2} />{p.answer}</span
                >
              {:else}
                <Written numbers={p.numbers} sign={p.sign} size={20} cell={14} />
              {/if}
              <span class="marks" style:--n={children.length}>
                {#each children as c (c.id)}
                  {@const entry = records.latest(c.id, i).entry}
                  <span
                    class="mark"
                    class:written={records.written(c.id, i)}
                    class:waits={onItsWay(c, i)}
                    class:wrong={entry && !entry.right && !entry.withdrawn}
                    class:nothing={entry?.withdrawn}
                    title="{c.name}: {onItsWay(c, i)
                      ? 'waits on this device'
                      : records.written(c.id, i)
                        ? 'recorded'
                        : 'not yet'}"
                    >{#if records.written(c.id, i) && entry?.right && !entry.withdrawn}<Tick
                        size={14}
                      />{/if}</span
                  >
                {/each}
              </span>
            </button>
          </li>
        {/each}
      </ol>
      {#if !ended && may}
        <div class="shelf-acts">
          {#if page.more}
            <Plain onclick={() => void more()}>One more like it</Plain>
            {#if page.moreFor}<p class="small">{page.moreFor}</p>{/if}
          {/if}
          <Plain onclick={() => (write(), void push(view(`mat/${params.lesson}`)))}
            >Back to the mat</Plain
          >
        </div>
      {/if}
    {/if}
  {/snippet}

  {#snippet mat()}
    <div class="seen">
      {#if records.trouble && !page}<Wrong trouble={records.trouble} />{/if}
      {#if page && problem}
        <div class="top" bind:clientWidth={w} bind:clientHeight={h}>
          {#if alone && lesson && nth === page.index && w > 0 && h > 240}
            <Alone
              {lesson}
              index={ended ? lesson.steps.length - 1 : hand.index}
              material={lesson.link.material}
              {w}
              {h}
            />
          {:else if ofBars}
            <div class="paper">
              <BarsRow sum={problem} width={w - 40} most={16} numbers />
              <p class="kid words">{ofBars.ask} {problem.result}</p>
            </div>
          {:else if problem.one}
            <div class="paper">
              <Glance one={problem.one} size={1.8} />
              <p class="kid words">{problem.one.question} {problem.result}</p>
            </div>
          {:else if lesson && !lesson.needs.alone && nth === page.index && w > 0 && h > 380}
            <Scene
              {lesson}
              index={ended ? lesson.steps.length - 1 : hand.index}
              material={lesson.link.material}
              words={desk.words}
              lacks={gave?.slips.length === 1 ? gave.lacks : []}
              {w}
              {h}
            />
          {:else if problem}
            <div class="paper">
              <Written
                numbers={problem.numbers}
                sign={problem.sign}
                result={problem.result}
                size={56}
                cell={44}
              />
              <p class="kid words">{problem.words}</p>
            </div>
          {/if}
        </div>
        {#if gave && draft}
          <Slip
            {gave}
            says={page.slips}
            answer={draft.answer}
            onstep={nth === page.index && !ended && may ? () => void toStep() : undefined}
          />
        {/if}
        <div class="under" hidden={!!gave}>
          <div hidden={alone}>
            <h2>Seen on the mat, place by place</h2>
            <ul class="saw">
              {#each problem.saw as s (s.place)}
                <li>
                  <b>{s.child}</b> <b style:color="var(--{s.place}-ink)">{s.name}</b><br />{s.text}
                </li>
              {/each}
            </ul>
          </div>
          {#if problem.estimates.length}<Estimates worked={problem} {children} />{/if}
        </div>
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    {#if page && problem}
      <div class="title">
        <h1>Who did what</h1>
        {#if todo.length}<span class="small">as seen on the mat</span>{/if}
      </div>
      {#each records.refused as piece (piece.key)}<Conflict {records} {page} {piece} />{/each}
      {#if records.trouble}<Wrong trouble={records.trouble} />{/if}
      {#if hand.trouble}<Wrong trouble={hand.trouble} />{/if}
      {#if records.notice}<p class="notice" role="status">{records.notice}</p>{/if}
      {#each children as c, i (c.id)}
        {@const l = line(c)}
        <div class="row" class:open={openId === c.id} class:tight={isOpen && openId !== c.id}>
          <div class="line">
            <button
              class="child"
              disabled={!may}
              aria-expanded={openId === c.id}
              onclick={() => openChild(c)}
            >
              <span class="seat kid">{i + 1}</span>
              <span class="name"
                ><b>{c.name}</b>{#each l.part as p, k (p.id)}{k ? ', ' : ' '}<span
                    class="own"
                    style:color="var(--{p.id}-ink)">{p.name}</span
                  >{/each}{#if !isOpen}<br /><span class="small"
                    >{l.nothing
                      ? 'nothing to record'
                      : `${l.turn ? '' : 'no turn: '}${l.came || helpName(l.help)}, ${mannerName(l.manner)}`}{l.runs >
                    1
                      ? `, ${l.runs} times`
                      : ''}</span
                  >{/if}</span
              >
            </button>
            {#if openId !== c.id}
              {#if !l.nothing}
                <HelpSign help={l.help} size={22} />
                <MannerLeaf manner={l.manner} {manners} size={32} />
              {/if}
              <button
                class="box kid"
                class:written={l.written}
                class:waits={onItsWay(c, nth)}
                class:wrong={l.written && !l.right && !l.nothing}
                disabled={!may || l.written}
                aria-label={l.written
                  ? `${c.name}: ${l.answer || 'no answer'}, ${onItsWay(c, nth) ? 'waits on this device' : 'recorded'}`
                  : `${c.name} right, ${l.answer}`}
                onclick={() => mark(c)}
                >{l.nothing ? '–' : l.answer || 'none'}{#if l.right && !l.nothing}<Tick
                  />{/if}</button
              >
            {/if}
          </div>
          {#if openId === c.id && draft}
            <Open
              bind:this={white}
              {page}
              manners={problem.manners}
              parts={problem.parts}
              saw={records.written(c.id, nth)
                ? ''
                : problem.rows.find((r) => r.learner === c.id)?.saw}
              bind:draft
              bind:touched
              expected={problem.result}
              between={problem.between}
              keys={problem.one?.keys}
              seen={problem.seen}
              lead={desk.class.role === 'lead'}
              hasNote={records.latest(c.id, nth).entry?.hasNote ?? false}
              slip={slipSays}
              onnothing={nothing}
            />
          {:else if l.slips.length}
            <p class="slip">
              <b>{l.slips[0]}</b>{l.slips.length > 1
                ? `, or ${l.slips.slice(1).join(', or ')}`
                : '; no other slip gives this answer'}
            </p>
          {/if}
        </div>
      {/each}
      {#if todo.length > 1 && !isOpen}
        <p class="small hint">
          A dashed answer is not yet recorded. Touch it to mark it right, or touch a name to record
          something else. “All right” counts for less than one touch for each child.
        </p>
      {/if}
    {/if}
  {/snippet}

  {#snippet foot()}
    {#if page && problem && may}
      {#if records.done.length || (todo.length && !isOpen)}
        <div class="beside">
          {#if records.done.length}
            <button class="undo" onclick={() => records.undo()}><BackArrow /> Undo</button>
          {/if}
          {#if todo.length && !isOpen}
            <button class="all" onclick={allRight} data-all-right>
              <span>{allSays}</span>
              {#if shared.signs}<span class="key" aria-hidden="true">y</span>{/if}
            </button>
          {/if}
        </div>
      {/if}
      <Next label={action.label} key="space" onclick={action.act} />
    {/if}
  {/snippet}
</Bench>

<style>
  .heads,
  .marks {
    display: grid;
    grid-template-columns: repeat(var(--n), 1fr);
    gap: 4px;
  }
  .heads {
    margin: 8px -6px 0 78px;
    line-height: 18px;
    font-size: var(--t1);
    text-align: center;
  }
  .heads span {
    overflow: hidden;
    text-overflow: ellipsis;
  }
  ol {
    margin: 4px -16px 0 -20px;
  }
  .short {
    display: flex;
    flex-direction: column;
    font-size: var(--t3);
    line-height: 22px;
  }
  li button {
    display: grid;
    grid-template-columns: 78px 1fr;
    align-items: center;
    width: 100%;
    min-height: 64px;
    padding: 4px 10px 4px 16px;
    border-left: 4px solid var(--none);
  }
  li.on button {
    border-left-color: var(--leaf);
    background: var(--leaf-tint);
  }
  .mark {
    display: grid;
    place-items: center;
    justify-self: center;
    width: 24px;
    height: 20px;
    border: 1.6px dashed var(--ink-2);
    border-radius: 4px;
  }
  .mark.written {
    border: 1.6px solid var(--ink-2);
    background: var(--paper);
  }
  .mark.waits {
    border-style: dashed;
  }
  .mark.wrong {
    border: 2px solid var(--clay);
    background: var(--paper);
    transform: rotate(-7deg);
  }
  .mark.nothing {
    background: linear-gradient(var(--ink-2), var(--ink-2)) center / 10px 1.6px no-repeat
      var(--paper);
  }
  .shelf-acts {
    display: flex;
    flex-direction: column;
    gap: 8px;
    margin-top: 16px;
  }
  .seen {
    position: absolute;
    inset: 0;
    display: grid;
    grid-template-rows: minmax(0, 1fr) auto;
  }
  .top {
    position: relative;
    min-height: 0;
    overflow: hidden;
  }
  .paper {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: center;
    height: 100%;
  }
  .words {
    font-size: var(--t4);
    line-height: 36px;
  }
  .under[hidden] {
    display: none;
  }
  .under {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 32px;
    padding: 10px 28px 14px;
    border-top: 1px solid var(--line);
  }
  .saw {
    display: grid;
    grid-template-columns: repeat(2, minmax(150px, auto));
    gap: 4px 28px;
    margin-top: 4px;
    font-size: var(--t1);
    line-height: 19px;
  }
  .title {
    display: flex;
    align-items: center;
    justify-content: space-between;
    min-height: 44px;
    margin-top: -8px;
  }
  .undo {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: 44px;
    color: var(--leaf);
    font-weight: 650;
  }
  .beside {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    margin-bottom: 8px;
  }
  .all {
    display: flex;
    flex: 1;
    align-items: center;
    justify-content: space-between;
    min-height: 48px;
    padding: 0 16px;
    border: 1.5px solid var(--leaf);
    border-radius: var(--r2);
    background: var(--paper);
    color: var(--leaf);
    font-weight: 650;
  }
  .all:hover {
    background: var(--leaf-tint);
  }
  .key {
    padding: 0 8px 1px;
    border: 1.5px solid currentcolor;
    border-top: 0;
    border-radius: 0 0 var(--r2) var(--r2);
    font-size: var(--t1);
    font-weight: 500;
    line-height: 18px;
  }
  .row {
    margin: 0 -12px;
    padding: 4px 12px;
    border-bottom: 1px solid var(--line);
  }
  .row.open {
    background: var(--sheet);
    border-left: 4px solid var(--leaf);
    padding-left: 8px;
  }
  .tight {
    padding-block: 0;
  }
  .tight .line {
    min-height: 44px;
  }
  .line {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: 52px;
  }
  .child {
    display: flex;
    flex: 1;
    align-items: center;
    gap: 8px;
    min-width: 0;
    min-height: 44px;
    line-height: 19px;
  }
  .name {
    min-width: 0;
    overflow-wrap: anywhere;
  }
  .own {
    font-size: var(--t1);
    font-weight: 650;
  }
  .seat {
    flex: none;
    display: grid;
    place-items: center;
    width: 28px;
    height: 28px;
    border: 2px solid var(--leaf);
    border-radius: 50%;
    font-weight: 700;
  }
  .open .seat {
    background: var(--leaf);
    color: var(--on-leaf);
    forced-color-adjust: none;
  }
  .box {
    display: flex;
    align-items: center;
    justify-content: flex-end;
    gap: 6px;
    min-width: 84px;
    min-height: 44px;
    padding: 0 8px;
    border: 2px dashed var(--ink-2);
    border-radius: var(--r2);
    font-size: 22px;
    text-align: right;
  }
  .box:hover:not(:disabled) {
    border-color: var(--leaf);
    background: var(--leaf-tint);
  }
  .box.written {
    border: 0;
    color: var(--ink);
  }
  .box.written.waits {
    border-bottom: 2px dashed var(--ink-2);
    border-radius: 0;
  }
  .box.wrong {
    border: 2px solid var(--clay);
    color: var(--clay-ink);
    background: var(--sheet);
    transform: rotate(-2deg);
  }
  .slip {
    font-size: var(--t1);
    line-height: 18px;
    padding-bottom: 4px;
  }
  .slip b {
    color: var(--clay-ink);
    font-weight: 650;
  }
  .slip::first-letter {
    text-transform: uppercase;
  }
  .hint,
  .notice {
    margin-top: 10px;
  }
  .notice {
    padding: 8px 10px;
    border-left: 3px solid var(--leaf);
    background: var(--paper);
    font-size: var(--t1);
  }
  @media (max-width: 700px) {
    .seen {
      position: static;
      display: block;
    }
    .top {
      height: 340px;
    }
    .saw {
      grid-template-columns: repeat(auto-fit, minmax(140px, 1fr));
    }
  }
</style>
