<script lang="ts">
  // The class seen at once: who wobbles, who is to be checked, who is ready.
  // Pointing at a stage or a child writes names and reasons into the book; the
  // next action plans the lesson with those who are named.
  import { onMount } from 'svelte';
  import { link, push } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import Next from '../../lib/parts/Next.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import Leaf from '../../lib/pieces/Leaf.svelte';
  import Sign from '../../lib/pieces/Sign.svelte';
  import { classPath, guarded, loadDesk, shared, troubleOf, view } from '../../lib/state.svelte';
  import type { Learner, Trouble, VineStage, Vines } from '../../lib/wire.gen';
  import Grid from './Grid.svelte';
  import LeafKey from './LeafKey.svelte';

  const desk = $derived(shared.desk!);
  let vines = $state.raw<Vines>();
  let trouble = $state<Trouble>();
  let picked = $state({ stage: '', child: '' });
  let pointed = $state({ stage: '', child: '' });
  /** Who comes, where the guide changed the proposal; by stage. */
  let changed = $state<Record<string, Learner[]>>({});
  let w = $state(0);
  let h = $state(0);
  let asked = 0;

  const stageId = $derived(pointed.stage || picked.stage);
  const childId = $derived(pointed.stage ? pointed.child : pointed.child || picked.child);
  const stage = $derived<VineStage | undefined>(vines?.stages.find((s) => s.id === stageId));
  const level = $derived(vines?.stages.findIndex((s) => s.id === stageId) ?? 0);
  const child = $derived(vines?.columns.find((c) => c.id === childId));
  const leaf = $derived(child?.leaves[level]);
  /** The lesson that the next action plans: of the stage that was picked. */
  const planned = $derived(vines?.stages.find((s) => s.id === picked.stage));
  const who = $derived<Learner[]>(planned ? (changed[planned.id] ?? planned.plan.children) : []);
  const may = $derived(shared.mayPresent);

  async function load(strand: string, order: string, near: string): Promise<void> {
    const turn = ++asked;
    try {
      const got = await guarded(
        api<Vines>('GET', classPath(`/vines?strand=${strand}&order=${order}&stage=${near}`)),
      );
      if (turn !== asked) return;
      vines = got;
      trouble = undefined;
      if (!got.stages.some((s) => s.id === picked.stage)) picked = { stage: got.first, child: '' };
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  const strand = (id: string): void => {
    picked = { stage: '', child: '' };
    void load(id, vines!.order, '');
  };
  const order = (id: string): void => void load(vines!.strand, id, picked.stage);
  function pick(stageId: string, childId: string): void {
    const moved = stageId !== picked.stage;
    picked = { stage: stageId, child: childId };
    if (moved && vines?.order === 'near') void load(vines.strand, 'near', stageId);
  }
  function toggle(c: Learner): void {
    if (!planned) return;
    const has = who.some((x) => x.id === c.id);
    const next = has ? who.filter((x) => x.id !== c.id) : [...who, { id: c.id, name: c.name }];
    if (next.length <= planned.plan.seats) changed = { ...changed, [planned.id]: next };
  }
  const open = (id: string): void => void push(view(`learner/${id}`));
  const plan = (): void => {
    if (!planned?.plan.draws || !may) return;
    const ids = who.map((c) => c.id).join(',');
    void push(view(`numbers?stage=${planned.id}&children=${ids}`));
  };

  onMount(() => {
    void loadDesk(desk.class.id);
    void load('joining', 'need', '');
  });
</script>

<svelte:window onkeydown={shortcuts({ space: plan })} />

<Bench
  personal
  title="Class"
  keys={[
    ['space', 'plan the lesson'],
    ['arrows', 'from child to child and stage to stage'],
    ['enter', 'open the child'],
  ]}
  shelfWidth={164}
  drawer={230}
  shelfSays={vines?.strand ?? ''}
  bookSays={stage?.name ?? ''}
>
  {#snippet shelf()}
    <h2>Strand</h2>
    <div class="list" role="radiogroup" aria-label="Strand">
      {#each vines?.strands ?? [] as s (s.id)}
        <button role="radio" aria-checked={s.id === vines?.strand} onclick={() => strand(s.id)}>
          {s.name}
          {#if s.wobbling}
            <span class="count" title="{s.wobbling} wobbling">
              <Sign state="wobbling" size={24} />{s.wobbling}<span class="unseen"> wobbling</span>
            </span>
          {/if}
        </button>
      {/each}
    </div>
    <h2>Order</h2>
    <div class="list" role="radiogroup" aria-label="Order">
      {#each vines?.orders ?? [] as o (o.id)}
        <button role="radio" aria-checked={o.id === vines?.order} onclick={() => order(o.id)}
          >{o.name}</button
        >
      {/each}
    </div>
  {/snippet}

  {#snippet mat()}
    <div class="class">
      {#if trouble}<Wrong {trouble} />{/if}
      {#if vines && vines.columns.length === 0}
        <div class="empty">
          <h1>One stem for each child</h1>
          <p>What you record grows on it as leaves.</p>
          <svg width="420" height="240" viewBox="0 0 420 240" aria-hidden="true">
            {#each [0, 1, 2, 3] as y (y)}<path class="wire" d="M20 {40 + y * 50}H400" />{/each}
            {#each [0, 1, 2, 3, 4] as x (x)}
              <path class="stem" d="M{50 + x * 80} 226V24" />
              {#each [0, 1, 2, 3] as y (y)}<circle cx={50 + x * 80} cy={40 + y * 50} r="5" />{/each}
            {/each}
            <path class="earth" d="M10 226C120 223 300 229 410 226" />
          </svg>
        </div>
      {:else if vines}
        <div class="head">
          <h1>{vines.strands.find((s) => s.id === vines?.strand)?.name}</h1>
          <span class="small">{vines.columns.length} children</span>
        </div>
        <div class="grid" bind:clientWidth={w} bind:clientHeight={h}>
          {#if w > 0}
            <Grid
              {vines}
              stage={stageId}
              child={childId}
              chosen={who.map((c) => c.id)}
              {w}
              {h}
              onpoint={(s, c) => (pointed = { stage: s, child: c })}
              onpick={pick}
              onopen={open}
            />
          {/if}
        </div>
        <div class="key"><LeafKey states={vines.key} /></div>
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    {#if vines && vines.columns.length === 0}
      <h1>The first child</h1>
      <p class="asks">
        {desk.class.role === 'lead'
          ? 'Add the children one by one, or paste a list.'
          : 'The lead of the class adds the children.'}
      </p>
    {:else if child && !pointed.stage && !picked.stage}
      <h1>{child.name}</h1>
    {:else if stage}
      {#if child && leaf}
        <div class="one">
          <div class="who">
            <svg width="40" height="44" viewBox="-20 -26 40 44" aria-hidden="true">
              <Leaf
                state={leaf.state}
                best={leaf.best}
                lobes={leaf.lobes}
                explained={leaf.explained}
                r={17}
              />
            </svg>
            <div>
              <h1>{child.name}</h1>
              <p class="small">
                {stage.name}, {child.never
                  ? 'not seen yet'
                  : `seen ${child.days === 0 ? 'today' : child.waits + ' ago'}`}
              </p>
            </div>
          </div>
          <p class="says"><b>{leaf.says}</b></p>
          <p class="why">{leaf.why}</p>
          <p class="acts">
            <a class="act" href={view(`learner/${child.id}`)} use:link>Open {child.name}</a>
            {#if may && stageId === picked.stage}
              <button class="act" onclick={() => toggle(child)}
                >{who.some((c) => c.id === child.id)
                  ? 'leave out this time'
                  : 'add to the lesson'}</button
              >
            {/if}
          </p>
        </div>
      {:else}
        <h1>{stage.name}</h1>
        <p class="small">{stage.says} · <span class="kid">{stage.example}</span></p>
        <p class="asks">{stage.asks}</p>
        <p class="secure">
          {#each stage.manners as m, i (m.id)}<span><b>{stage.secure[i]}</b> {m.name}</span>{/each}
          <span class="small">secure, of {vines?.columns.length} children</span>
        </p>
      {/if}
      {#each stage.groups as g (g.state)}
        <h2 class="state">{g.title} <span>{g.children.length} of {vines?.columns.length}</span></h2>
        <ul>
          {#each g.children as c (c.id)}
            {@const on = who.some((x) => x.id === c.id)}
            <li>
              <button
                class="name"
                aria-pressed={on}
                disabled={!may ||
                  stageId !== picked.stage ||
                  (!on && who.length >= (planned?.plan.seats ?? 0))}
                onclick={() => toggle(c)}>{c.name}</button
              >
              <p>{c.why}</p>
            </li>
          {/each}
        </ul>
      {/each}
      {#if stage.groups.length === 0}<p class="asks">Nobody is at this stage now.</p>{/if}
    {/if}
  {/snippet}

  {#snippet foot()}
    {#if vines && vines.columns.length === 0}
      {#if desk.class.role === 'lead'}
        <Next label="Add children" onclick={() => void push(view('people'))} />
      {/if}
    {:else if planned && may}
      <p class="plan small">
        {#if planned.plan.draws}
          {who.length ? who.map((c) => c.name).join(', ') : 'Nobody yet: touch the names'} · {planned.name}
        {:else}{planned.plan.says}{/if}
      </p>
      <Next label="Plan this lesson" key="space" disabled={!planned.plan.draws} onclick={plan} />
    {/if}
  {/snippet}
</Bench>

<style>
  h2 {
    margin: 0 0 4px;
  }
  h1::first-letter {
    text-transform: uppercase;
  }
  .list {
    display: flex;
    flex-direction: column;
    margin: 0 -8px 20px;
  }
  .list button {
    display: flex;
    align-items: center;
    justify-content: space-between;
    min-height: 44px;
    padding: 0 8px 0 12px;
    border-left: 4px solid var(--none);
  }
  .list button:hover {
    background: var(--paper);
  }
  .list button[aria-checked='true'] {
    border-left-color: var(--leaf);
    font-weight: 650;
  }
  .count {
    display: flex;
    align-items: center;
    gap: 4px;
    color: var(--plum);
    font-weight: 600;
  }
  .class {
    position: absolute;
    inset: 0;
    display: flex;
    flex-direction: column;
    padding: 10px 14px 8px 22px;
  }
  .head {
    display: flex;
    align-items: baseline;
    gap: 12px;
    min-height: 30px;
  }
  .head h1::first-letter {
    text-transform: uppercase;
  }
  .grid {
    position: relative;
    flex: 1;
    min-height: 0;
    display: flex;
    flex-direction: column;
  }
  .empty {
    margin: auto;
    max-width: 440px;
  }
  .empty p {
    margin: 8px 0 24px;
  }
  .empty .wire,
  .empty .stem,
  .empty circle {
    fill: var(--paper);
    stroke: var(--wood);
    stroke-width: 1.4;
    stroke-dasharray: 4 4;
  }
  .empty .wire {
    stroke: var(--tray);
    stroke-dasharray: none;
  }
  .earth {
    fill: none;
    stroke: var(--wood);
    stroke-width: 2;
  }
  .asks {
    margin-top: 6px;
  }
  .who {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  .one {
    margin: 0 -8px 8px;
    padding: 8px;
    background: var(--sheet);
    border-radius: var(--r2);
  }
  .says {
    margin-top: 4px;
  }
  .says b::first-letter {
    text-transform: uppercase;
  }
  .says b {
    font-weight: 600;
  }
  .why,
  li p {
    font-size: var(--t1);
    line-height: 19px;
    color: var(--ink-2);
  }
  .acts {
    display: flex;
    gap: 16px;
  }
  .secure {
    display: flex;
    flex-wrap: wrap;
    gap: 0 12px;
    margin-top: 6px;
    font-size: var(--t1);
    line-height: 20px;
  }
  .state {
    margin: 12px 0 0;
    color: var(--ink);
    font-weight: 650;
    font-size: var(--t2);
  }
  .state::first-letter {
    text-transform: uppercase;
  }
  .state span {
    font-weight: 400;
    font-size: var(--t1);
    color: var(--ink-2);
  }
  li .name {
    min-width: 44px;
    min-height: 44px;
    padding: 0 6px;
    margin-left: -6px;
    border-radius: var(--r1);
    font-weight: 600;
  }
  li .name[aria-pressed='true'] {
    box-shadow: inset 0 -3px 0 var(--leaf);
  }
  li p {
    margin-bottom: 4px;
  }
  @media (min-width: 700.1px) and (max-width: 900px) {
    .list {
      flex-direction: row;
      margin-bottom: 8px;
    }
  }
  .plan {
    margin-bottom: 6px;
  }
  @media (max-width: 700px) {
    .class {
      position: relative;
      height: auto;
      padding: 10px 14px;
    }
    .grid {
      height: 520px;
      flex: none;
    }
  }
  @media print {
    .class {
      position: static;
      padding: 0;
      page: wide;
    }
  }
</style>
