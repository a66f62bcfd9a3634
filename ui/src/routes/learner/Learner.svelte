<script lang="ts">
  // One child: the vine, what was seen, what to do next and why; the guide's own
  // judgement, with a reason that is kept.
  import { onMount } from 'svelte';
  import { link, push } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import { newId } from '../../lib/id';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import Dialog from '../../lib/parts/Dialog.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import Sign from '../../lib/pieces/Sign.svelte';
  import {
    classPath,
    guarded,
    loadDesk,
    saved,
    shared,
    troubleOf,
    view,
  } from '../../lib/state.svelte';
  import { outbox } from '../../lib/outbox.svelte';
  import { Opening } from '../../lib/opening.svelte';
  import { fromEntry } from '../../lib/records.svelte';
  import { seenNow } from '../../lib/seen';
  import type {
    Desk,
    Entry,
    EntryPart,
    GoesWrong,
    LearnerView,
    NextStep,
    Observe,
    Settings,
    Trouble,
  } from '../../lib/wire.gen';
  import Open from '../record/Open.svelte';
  import Beads from './Beads.svelte';
  import Evidence from './Evidence.svelte';
  import Goes from './Goes.svelte';
  import Vine from './Vine.svelte';

  let { params }: { params: { learner: string } } = $props();

  const desk = $derived(shared.desk!);
  const lead = $derived(desk.class.role === 'lead');
  let child = $state.raw<LearnerView>();
  let trouble = $state<Trouble>();
  let stage = $state('');
  let w = $state(0);
  let h = $state(0);
  let judging = $state(false);
  let manner = $state('');
  let verdict = $state('secure');
  let reason = $state('');
  let wrong = $state<Trouble>();
  let dialog = $state<Dialog>();
  /** The record that is being corrected, and what it is to be. */
  let mended = $state<Entry>();
  let draft = $state<Observe>();
  let touched = $state(false);
  let unkept = $state<Trouble>();
  let white = $state<Open>();
  /** Which side of the page is looked at, and which of the things that go wrong. */
  let side = $state<'vine' | 'wrong'>('vine');
  let at = $state(0);
  const opening = new Opening();

  const node = $derived(
    child?.strands.flatMap((s) => s.stages).find((n) => n.leaf.stage === stage),
  );
  /** The lobes of the stage that is pointed at; what makes its leaf so comes first. */
  const lobes = $derived.by(() => {
    if (!node) return [];
    const { manners, leaf } = node;
    const seen = node.lobes
      .map((lobe, i) => ({ manner: manners[i]!, lobe }))
      .filter((x) => x.lobe.state);
    const first = (x: (typeof seen)[0]): boolean => x.lobe.state === leaf.state;
    return [...seen.filter(first), ...seen.filter((x) => !first(x))];
  });
  const step = $derived(child?.steps.find((s) => s.draws && s.kind !== 'let-be'));
  const goes = $derived(side === 'wrong' ? child?.wrong[at] : undefined);
  const may = $derived(shared.mayPresent && !child?.retired);
  const ask = (of: GoesWrong): void =>
    void opening.lesson(`ask ${of.ask!.says}`, [of.ask!.task], [params.learner]);
  let unnamed = $state<Trouble>();
  /** Keeps the class's own name for a slip; none takes it away. */
  async function call(slip: string, name: string): Promise<void> {
    const { habits, ...settings } = desk.settings;
    const body: Settings = { ...settings, habits: { ...habits, [slip]: name } };
    try {
      shared.desk = await saved(api<Desk>('PUT', classPath('/settings'), body));
      unnamed = undefined;
      await load(params.learner);
      shared.said = name ? `${name}: the name is kept.` : 'The name is taken away.';
    } catch (error) {
      unnamed = troubleOf(error);
      await loadDesk(desk.class.id);
    }
  }
  const path = $derived(classPath(`/learners/${params.learner}`));

  /** What is read of the records so far, newest first; there may be older ones. */
  let entries = $state.raw<Entry[]>([]);
  let more = $state(false);

  function take(got: LearnerView): void {
    child = got;
    trouble = undefined;
    // What was read of older ones stays, as far as nothing of it is new now.
    const known = new Set(got.part.entries.map((e) => e.id));
    const last = got.part.entries[got.part.entries.length - 1];
    const at = entries.findIndex((e) => e.id === last?.id);
    const rest = at < 0 ? [] : entries.slice(at + 1).filter((e) => !known.has(e.id));
    entries = [...got.part.entries, ...rest];
    more = rest.length > 0 ? more : got.part.more;
    const all = got.strands.flatMap((s) => s.stages);
    if (!all.some((n) => n.leaf.stage === stage)) {
      const newest = got.part.entries.find((e) => all.some((n) => n.leaf.stage === e.stage));
      stage = newest?.stage ?? got.steps[0]?.stage ?? all[0]?.leaf.stage ?? '';
    }
    setManner();
  }
  function setManner(): void {
    const of = child?.strands.flatMap((s) => s.stages).find((n) => n.leaf.stage === stage);
    const worst = of?.lobes.findIndex((l) => l.state === of.leaf.state) ?? -1;
    manner = of?.manners[Math.max(0, worst)]?.id ?? '';
  }
  function pick(id: string): void {
    stage = id;
    setManner();
  }
  async function load(id: string): Promise<void> {
    try {
      take(await guarded(api<LearnerView>('GET', classPath(`/learners/${id}`))));
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  async function older(): Promise<void> {
    const of = params.learner;
    const last = entries[entries.length - 1];
    if (!last) return;
    try {
      const at = classPath(`/learners/${of}/entries?after=${last.id}`);
      const part = await guarded(api<EntryPart>('GET', at));
      if (of !== params.learner || entries[entries.length - 1]?.id !== last.id) return;
      entries = [...entries, ...part.entries];
      more = part.more;
    } catch (error) {
      more = false; // not again and again: the page can be loaded anew
      trouble = troubleOf(error);
    }
  }
  function mend(e: Entry): void {
    mended = e;
    draft = { ...fromEntry(e), id: newId(), replaces: e.id, withdrawn: false };
    touched = false;
    unkept = undefined;
    shared.said = `Correcting ${e.task}`;
  }
  const leave = (): void => void (mended = draft = undefined);
  async function keep(): Promise<void> {
    if (!draft || !mended || (!touched && !mended.withdrawn)) return leave();
    const { id } = draft;
    if (keeping === id) return;
    keeping = id;
    unkept = undefined;
    const says = `${child?.name ?? ''}, ${mended.task} = ${draft.answer || 'none'}`;
    const made = { ...draft, seenAt: seenNow() };
    void outbox.add(params.learner, { kind: 'correction', made, says });
    await outbox.settled(params.learner, PATIENCE_MS);
    // Where the server does not answer it waits on this device; refused, it is open still.
    if (draft?.id === id && !unkept) leave();
    keeping = '';
  }
  let keeping = '';
  const PATIENCE_MS = 1500;
  const AID = 'This is an aid to teaching and no diagnosis. Only what was recorded is known here.';
  const hear = (learner: string): (() => void) =>
    outbox.hear(learner, {
      sent: (_, answer) => {
        take(answer as LearnerView);
        shared.said = 'The correction is kept.';
      },
      refused: (piece, why) => {
        if (piece.kind !== 'correction' || piece.made.id !== draft?.id) return;
        unkept = why; // what was typed stays open, beside what is wrong with it
        outbox.letGo(piece);
      },
      elsewhere: () => void load(learner),
    });
  function withdraw(): void {
    if (!draft) return;
    draft = { ...draft, withdrawn: true };
    touched = true;
    void keep();
  }
  const change = (c: Partial<Observe>): void => {
    if (!draft) return;
    draft = { ...draft, ...c };
    touched = true;
  };
  const help = (id: string) => (): void => change({ help: id });
  const digits = Object.fromEntries([...'0123456789'].map((d) => [d, () => white?.digit(d)]));
  async function judge(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const body = { id: newId(), stage, manner, state: verdict, reason };
    try {
      take(await saved(api<LearnerView>('POST', `${path}/judgements`, body)));
      judging = false;
      reason = '';
      wrong = undefined;
      shared.said = 'The judgement is kept with its reason.';
    } catch (error) {
      wrong = troubleOf(error);
    }
  }
  async function erase(): Promise<void> {
    dialog?.close();
    try {
      await saved(api('DELETE', path));
      await loadDesk(desk.class.id);
      await push(view('class'));
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  const plan = (s: NextStep): void =>
    void push(view(`numbers?stage=${s.stage}&children=${params.learner}`));
  const next = (): void => {
    if (draft) return void keep();
    if (goes && may && goes.tasks.length)
      return void opening.lesson(`mend ${goes.says} ${goes.shown}`, goes.tasks, [params.learner]);
    if (goes?.ask && may) return ask(goes);
    if (step && shared.mayPresent && !child?.retired) plan(step);
    else void push(view('class'));
  };

  let shown = '';
  $effect(() => {
    if (params.learner !== shown) {
      shown = params.learner;
      stage = '';
      side = 'vine';
      at = 0;
      judging = false;
      entries = [];
      leave();
      void load(params.learner);
    }
    return hear(params.learner);
  });
  onMount(() => {
    void loadDesk(desk.class.id);
    return () => (shown = '');
  });
</script>

<svelte:window
  onkeydown={shortcuts({
    space: next,
    enter: () => draft && void keep(),
    escape: leave,
    backspace: () => white?.wipe(),
    r: () => white?.right(),
    '.': () => white?.rest(),
    s: help('shown'),
    t: help('together'),
    n: help('nudged'),
    a: help('alone'),
    e: help('explains'),
    ...digits,
  })}
/>

<Bench
  personal
  title={child?.name ?? 'Child'}
  keys={draft
    ? [
        ['space, enter', 'keep the correction'],
        ['digits, r', 'the answer'],
        ['s t n a e', 'shown, with help, prompted, alone, explains'],
        ['escape', 'leave it unchanged'],
      ]
    : [['space', step && shared.mayPresent ? 'plan the next step' : 'back to the class']]}
  shelfWidth={172}
  drawer={draft ? 400 : 250}
  shelfSays="the class"
  bookSays={node?.name ?? ''}
>
  {#snippet shelf()}
    <h2>Children, by need</h2>
    <ul class="others">
      {#each child?.others ?? [] as o (o.id)}
        <li>
          <a
            href={view(`learner/${o.id}`)}
            use:link
            aria-current={o.id === params.learner ? 'page' : undefined}
          >
            {o.name}
            <Sign state={o.state} />
          </a>
        </li>
      {/each}
    </ul>
  {/snippet}

  {#snippet mat()}
    <div class="child" class:mending={draft}>
      {#if trouble}<Wrong {trouble} />{/if}
      {#if child}
        <div class="title">
          <h1>{child.name}</h1>
          <div class="sides" role="radiogroup" aria-label="What is shown">
            <button role="radio" aria-checked={side === 'vine'} onclick={() => (side = 'vine')}
              >the vine</button
            >
            <button role="radio" aria-checked={side === 'wrong'} onclick={() => (side = 'wrong')}
              >what goes wrong{child.wrong.length ? ` (${child.wrong.length})` : ''}</button
            >
          </div>
          <p class="small">{child.retired ? 'Has left the class. ' : ''}{child.says}</p>
        </div>
        {#if side === 'wrong'}
          <div class="goes">
            {#if unnamed}<Wrong trouble={unnamed} />{/if}
            <Goes
              wrong={child.wrong}
              bind:at
              mayAsk={may}
              onask={ask}
              onset={(of) =>
                void opening.lesson(`ask ${of.ask!.named}`, of.ask!.set, [params.learner])}
              onname={lead ? (slip, name) => void call(slip, name) : undefined}
            />
          </div>
        {:else}
          <div class="grown" bind:clientWidth={w} bind:clientHeight={h}>
            {#if w > 0}<Vine strands={child.strands} {stage} {w} {h} onpick={pick} />{/if}
          </div>
          <div class="seen">
            <Evidence
              {entries}
              total={child.records}
              more={more ? older : undefined}
              {stage}
              mended={mended?.id ?? ''}
              onmend={shared.mayPresent ? mend : undefined}
            />
          </div>
        {/if}
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    {#if child && mended && draft}
      <h1>Correct a record</h1>
      <p class="small">{mended.daySays}, {mended.stageName}, recorded by {mended.by}</p>
      <p class="kid asked">{mended.task}</p>
      {#if unkept}<Wrong trouble={unkept} />{/if}
      {#key mended.id}<Open
          bind:this={white}
          page={child}
          manners={mended.manners}
          parts={mended.parts}
          bind:draft
          bind:touched
          expected={mended.result}
          between={mended.between}
          keys={mended.keys}
          seen={mended.seen}
          {lead}
          hasNote={mended.hasNote}
          onnothing={withdraw}
        />{/key}
    {:else if goes}
      <h1>Why this lesson</h1>
      {#if opening.trouble}<Wrong trouble={opening.trouble} />{/if}
      {#if goes.tasks.length}
        <p class="why">
          {goes.shown} brings it out: this slip would write <b>{goes.would}</b>.
        </p>
        <p class="why">{goes.helps}</p>
      {:else if goes.ask}
        <p class="why">The answer to {goes.ask.says} tells which of them it is.</p>
      {:else}
        <p class="why">No one slip explains these answers. Look at the work itself.</p>
      {/if}
      <p class="small aid">{AID}</p>
    {:else if child && node}
      <h1 class="cap">{node.name}</h1>
      {#if lobes.length === 0}<p class="why">{node.leaf.why}</p>{/if}
      <ul class="lobes">
        {#each lobes as { manner, lobe } (manner.id)}
          <li class:worst={lobe.state === node.leaf.state}>
            <b>{manner.name}: {lobe.says}.</b>
            <Beads held={lobe.beads} of={desk.limits.beads} />
            {lobe.why}
          </li>
        {/each}
      </ul>
      {#if lead && !judging}
        <button class="act" onclick={() => (judging = true)}>I see it differently</button>
      {/if}
      {#if !judging}
        <h2 class="part">Next</h2>
        <ol class="steps">
          {#each child.steps.slice(0, 4) as s, i (i)}
            <li>
              <button onclick={() => pick(s.stage)}><b>{s.do}</b></button>
              {#if s.stage !== stage}<p>{s.why}</p>{/if}
            </li>
          {:else}<li class="small">Nothing is urgent. Let the child choose.</li>{/each}
        </ol>
        {#each child.judgements.slice(0, 2) as j (j.day + j.says)}
          <p class="judged">
            {j.day}: {j.says}, judged by {j.by}{#if j.reason}, because “{j.reason}”{/if}.
          </p>
        {/each}
      {/if}
      {#if lead && judging}
        <form onsubmit={judge} novalidate>
          <p class="line">
            <b class="cap">{node.name}</b>
            <select aria-label="How it was worked" bind:value={manner}>
              {#each node.manners as m (m.id)}<option value={m.id}>{m.name}</option>{/each}
            </select>
            is
            <select aria-label="Judgement" bind:value={verdict}>
              {#each child.states as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
            </select>
          </p>
          <label for="reason">because</label>
          <textarea
            id="reason"
            rows="2"
            bind:value={reason}
            aria-describedby={wrong ? 'reason-wrong' : undefined}></textarea>
          {#if wrong}<Wrong trouble={wrong} id="reason-wrong" />{/if}
          <span class="acts">
            <Plain type="submit">Save my judgement</Plain>
            <button type="button" class="act" onclick={() => (judging = false)}>cancel</button>
          </span>
        </form>
      {/if}
      {#if stage && /^(joining|taking|sharing)\//.test(stage) && shared.mayPresent}
        <p class="files small">
          <a href={view(`sheets?kind=strip&stage=${stage}`)} use:link>a strip to take home</a>
        </p>
      {/if}
      {#if lead}
        <p class="files small">
          <a href="/api{path}/export.json" download>all as JSON</a>
          <a href="/api{path}/export.csv" download>records as CSV</a>
          <button onclick={() => dialog?.open()}>erase …</button>
        </p>
      {/if}
    {/if}
  {/snippet}

  {#snippet foot()}
    {#if draft}
      <button class="act" onclick={leave}>leave it unchanged</button>
      <Next label="Keep the correction" key="space" onclick={() => void keep()} />
    {:else if goes && may && (goes.tasks.length || goes.ask)}
      <p class="small">
        {goes.tasks.length ? goes.lesson : `${child?.name ?? ''}, one question`}
      </p>
      <Next
        label={goes.tasks.length ? `Gather ${goes.shown}` : `Ask ${goes.ask!.says}`}
        key="space"
        onclick={next}
      />
    {:else if child}
      {#if step && shared.mayPresent && !child.retired}<p class="small">{step.do}</p>{/if}
      {#if step && shared.mayPresent && !child.retired}
        <Next label="Plan this lesson" key="space" onclick={next} />
      {:else}
        <Next label="Back to the class" key="space" onclick={next} />
      {/if}
    {/if}
  {/snippet}
</Bench>

<Dialog bind:this={dialog} title="Erase {child?.name}?">
  <p class="warning">
    Everything recorded about {child?.name} is deleted and cannot be brought back. The class keeps only
    the count. To keep the records, let the child leave the class under People instead.
  </p>
  <span class="acts">
    <button class="erase" onclick={erase}>Erase {child?.name}</button>
    <Plain onclick={() => dialog?.close()}>Keep everything</Plain>
  </span>
</Dialog>

<style>
  .others {
    margin: 4px -8px 0;
  }
  .others a {
    display: flex;
    justify-content: space-between;
    align-items: center;
    min-height: 44px;
    padding: 0 6px 0 10px;
    border-left: 4px solid var(--none);
    text-decoration: none;
  }
  .others a:hover {
    background: var(--paper);
  }
  .others a[aria-current] {
    border-left-color: var(--leaf);
    font-weight: 700;
  }
  .child {
    position: absolute;
    inset: 0;
    display: grid;
    grid-template: auto minmax(0, 1fr) / minmax(340px, 1fr) minmax(0, 1.15fr);
    gap: 4px 20px;
    padding: 12px 20px 8px 26px;
  }
  @media (min-width: 700.1px) and (max-width: 900px) {
    .child {
      padding-inline: 16px;
    }
  }
  .title {
    grid-column: 1 / -1;
  }
  .title h1 {
    font-size: var(--t4);
    line-height: 34px;
  }
  .title {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 0 16px;
  }
  .title p {
    flex-basis: 100%;
  }
  .sides {
    display: flex;
  }
  .sides button {
    min-height: 44px;
    padding: 0 14px;
    border: 1px solid var(--edge);
    background: var(--paper);
  }
  .sides button + button {
    margin-left: -1px;
    border-radius: 0 var(--r2) var(--r2) 0;
  }
  .sides button:first-child {
    border-radius: var(--r2) 0 0 var(--r2);
  }
  .sides [aria-checked='true'] {
    background: var(--leaf-tint);
    box-shadow: inset 0 -3px var(--leaf);
    font-weight: 650;
  }
  .goes {
    grid-column: 1 / -1;
    min-height: 0;
    overflow: auto;
  }
  .aid {
    margin-top: 10px;
  }
  .grown {
    min-height: 0;
    position: relative;
    overflow: auto;
  }
  .seen {
    display: flex;
    flex-direction: column;
    min-height: 0;
  }
  .cap::first-letter {
    text-transform: uppercase;
  }
  .asked {
    margin: 12px 0 44px;
    font-size: var(--t4);
  }
  .why {
    margin-top: 4px;
  }
  .lobes {
    margin-top: 8px;
    font-size: var(--t1);
    line-height: 20px;
  }
  .lobes li {
    margin-bottom: 4px;
    color: var(--ink-2);
  }
  .lobes b {
    font-weight: 600;
    color: var(--ink);
  }
  .lobes b::first-letter {
    text-transform: uppercase;
  }
  .lobes .worst {
    color: var(--ink);
  }
  .part {
    margin: 14px 0 2px;
  }
  .steps button {
    min-height: 44px;
    line-height: 19px;
  }
  .steps b {
    font-weight: 600;
  }
  .steps p {
    font-size: var(--t1);
    line-height: 18px;
    color: var(--ink-2);
    margin-bottom: 6px;
  }
  .judged {
    margin-top: 8px;
    padding-left: 10px;
    border-left: 3px solid var(--plum);
    font-size: var(--t1);
    line-height: 19px;
  }
  form {
    margin-top: 8px;
    padding-top: 8px;
    border-top: 1px solid var(--line);
  }
  .line {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 8px;
  }
  select {
    min-height: 44px;
    border: 0;
    background: none;
    font: 600 var(--t2) var(--text);
    color: var(--leaf);
  }
  textarea {
    width: 100%;
    padding: 6px 8px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font: inherit;
    color: inherit;
    resize: none;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 12px;
    align-items: center;
    margin-top: 6px;
  }
  .files {
    display: flex;
    gap: 14px;
    margin-top: 8px;
  }
  .files a,
  .files button {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  .warning {
    margin: var(--s3) 0 var(--s4);
  }
  .erase {
    min-height: 44px;
    padding: 0 var(--s3);
    border-radius: var(--r2);
    background: var(--clay-ink);
    color: var(--on-leaf);
    forced-color-adjust: none;
    font-weight: 650;
  }
  @media (max-width: 700px) {
    .child {
      position: static;
      display: block;
      padding: 12px 14px;
    }
    .grown {
      height: 460px;
      overflow-x: auto;
    }
    .mending .grown {
      display: none;
    }
  }
  @media print {
    .child {
      position: static;
      display: block;
      padding: 0;
    }
    .grown,
    .goes,
    .seen {
      overflow: visible;
      margin-bottom: 6mm;
    }
    .sides {
      display: none;
    }
  }
</style>
