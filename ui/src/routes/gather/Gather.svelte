<script lang="ts">
  // The gather list: most pieces at once, cards, trays, how the mat
  // lies, who comes, what to look to and how long it takes.
  import { onMount } from 'svelte';
  import { link as leads, push } from 'svelte-spa-router';
  import { SvelteSet } from 'svelte/reactivity';
  import { innerWidth } from 'svelte/reactivity/window';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import { LessonInHand } from '../../lib/lesson.svelte';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import Cards from '../../lib/pieces/Cards.svelte';
  import Piece from '../../lib/pieces/Piece.svelte';
  import Pile from '../../lib/pieces/Pile.svelte';
  import Fetched from '../../lib/ones/Fetched.svelte';
  import { loadDesk, shared, view } from '../../lib/state.svelte';
  import { askedOf, isAlone } from '../../lib/alone';
  import Alone from '../mat/Alone.svelte';
  import Lies from './Lies.svelte';
  import Who from './Who.svelte';

  let { params }: { params: { lesson: string } } = $props();

  const SOON = 3; // tasks that come after this one are named
  // svelte-ignore state_referenced_locally
  const hand = LessonInHand.of(params.lesson);
  const lesson = $derived(hand.lesson);
  const link = $derived(lesson?.link);
  const sum = $derived(link?.sum);
  const desk = $derived(shared.desk!);
  // svelte-ignore state_referenced_locally
  const kept = `gathered-${params.lesson}`;
  const taken = new SvelteSet<string>(JSON.parse(sessionStorage.getItem(kept) ?? '[]') as string[]);
  let turned = $state(false);
  let w = $state(0);
  let h = $state(0);
  let choosing = $state(shared.mayPresent);

  const material = $derived(link?.material ?? 'beads');
  const names = $derived(desk.words.materials.find((m) => m.id === material)?.pieces ?? []);
  const piece = (place: string, n: number): string => {
    const name = names[desk.words.places.findIndex((p) => p.id === place)];
    return (n === 1 ? name?.one : name?.many) ?? '';
  };
  const one = $derived(isAlone(sum));
  const problemList = (): { id: string; n: number; name: string; place: string }[] => [
    ...(sum?.pieces.map((p) => ({
      id: p.place,
      n: p.count,
      name: piece(p.place, p.count),
      place: p.place,
    })) ?? []),
    { id: 'small', n: lesson?.needs.small.length ?? 0, name: 'small sets', place: '' },
    { id: 'large', n: 1, name: 'large set', place: '' },
    { id: 'trays', n: lesson?.needs.trays ?? 0, name: 'trays', place: '' },
  ];
  const list = $derived(
    one
      ? (lesson?.needs.fetch ?? []).map((f) => ({ id: f.id, n: f.count, name: f.name, place: '' }))
      : problemList(),
  );
  const UNIT: Record<string, number> = { ones: 10, tens: 3.4, hundreds: 3.2, thousands: 2.1 };
  const OPEN: Record<string, number> = { ones: 15, tens: 6.6, hundreds: 4.4, thousands: 4.2 };

  /** On a tablet everything is drawn smaller. */
  const SMALL_SCREEN = 1100;
  const small = $derived((innerWidth.current ?? 0) <= SMALL_SCREEN);

  /** More of a kind than these are set in tens. */
  const SEEN = 20;
  const HIGH = { width: 150, height: 214 };
  const LOW = { width: 124, height: 96 };
  /** Up to so many numbers have their trays listed; the picture shows more. */
  const FEW = 3;
  /** The number is taken from, shared out or grouped: it is built alone. */
  const apart = $derived(['difference', 'share', 'group'].includes(sum?.kind ?? ''));
  /** The sets of small cards that are shown: those of sharers and of equal trays are alike. */
  const alike = $derived(['share', 'trays'].includes(sum?.kind ?? ''));
  const sets = $derived((lesson?.needs.small ?? []).slice(0, alike ? 1 : undefined));
  const many = $derived((lesson?.needs.laid.length ?? 0) > FEW);

  /** Many pieces are drawn smaller, so that the heap keeps its height. */
  const scale = (place: string, n: number): number => {
    const unit = (OPEN[place] ?? 4) * (small ? 0.6 : 0.9);
    if (small) return n > 10 || (place === 'thousands' && n > 4) ? unit * 0.72 : unit;
    if (place === 'hundreds' && n > 10) return 2.8;
    if (place === 'thousands' && n > 4) return 2.9;
    return place === 'tens' && n > 10 ? 4.9 : unit;
  };

  function take(id: string): void {
    if (taken.has(id)) taken.delete(id);
    else taken.add(id);
    sessionStorage.setItem(kept, JSON.stringify([...taken]));
  }

  /** Where the pieces of a place come from: “1 + 2 + 1 from the ${desk.words.bank}”. */
  function parts(p: { trays: number[]; up: number }): string {
    return p.trays.join(' + ') + (p.up ? ` + ${p.up} from the ${desk.words.bank}` : '');
  }

  /** Who builds a tray: the child whose turn it is, or the guide. */
  const builder = (tray: number): string => {
    const turn = lesson?.steps.find((s) => s.kind === 'build' && s.tray === tray)?.turn ?? -1;
    return lesson?.children[turn]?.name ?? 'you';
  };

  const seat = (children: string[]): Promise<void> =>
    hand.change(
      children.length ? { children, alone: false } : { alone: true, children: undefined },
    );

  /** The whole class works it, each child with a slate. */
  async function whole(): Promise<void> {
    await hand.change({ whole: true, stand: 'mat' });
    if (hand.trouble || hand.conflict) return;
    await loadDesk(desk.class.id);
    await push(view(`slates/${params.lesson}`));
  }

  async function layOut(): Promise<void> {
    if (!lesson) return;
    if (shared.mayPresent && link?.stand === 'gathering') await hand.change({ stand: 'mat' });
    if (hand.trouble) return;
    await loadDesk(desk.class.id);
    await push(view(`mat/${params.lesson}`));
  }

  onMount(async () => {
    await hand.load();
    if (hand.lesson?.children.length) choosing = false;
  });
</script>

<svelte:window onkeydown={shortcuts({ space: () => void layOut(), t: () => (turned = !turned) })} />

<Bench
  title="Gather"
  drawer={352}
  lesson={link}
  keys={[
    ['space', 'to the mat'],
    ['t', 'turn the mat to the children'],
  ]}
  shelfSays="{taken.size} of {list.length} ready"
  bookSays={link?.children.join(', ') || 'practice, no children'}
>
  {#snippet shelf()}
    <h1>From the shelf</h1>
    <p class="small">touch each one once it is on a tray</p>
    {#if lesson && one}
      <ul class="list">
        {#each lesson.needs.fetch as f (f.id)}
          <li>
            <button class="one" aria-pressed={taken.has(f.id)} onclick={() => take(f.id)}>
              <Fetched {f} {material} words={desk.words} />
              <svg class="tick" width="24" height="24" viewBox="0 0 24 24" aria-hidden="true">
                {#if taken.has(f.id)}
                  <use href="#leaf" transform="translate(3 15) rotate(-10)" />
                {:else}
                  <circle
                    cx="12"
                    cy="12"
                    r="8"
                    fill="none"
                    stroke="var(--edge)"
                    stroke-width="1.6"
                  />
                {/if}
              </svg>
            </button>
          </li>
        {:else}
          <li class="small">Nothing is needed: it is done in the head.</li>
        {/each}
      </ul>
      <p class="small">Use the same list to count everything back at the end.</p>
    {:else if lesson}
      <ul class="list">
        {#each list as item (item.id)}
          <li>
            <button aria-pressed={taken.has(item.id)} onclick={() => take(item.id)}>
              <span class="pic">
                {#if item.place}
                  <Piece {material} place={item.place} unit={UNIT[item.place] ?? 2} />
                {:else if item.id === 'trays'}
                  <svg width="40" height="28" viewBox="0 0 40 28" aria-hidden="true">
                    <rect
                      x="1"
                      y="9"
                      width="32"
                      height="17"
                      rx="6"
                      fill="var(--sheet)"
                      stroke="var(--edge)"
                      stroke-width="1.6"
                    />
                    <rect
                      x="7"
                      y="2"
                      width="32"
                      height="17"
                      rx="6"
                      fill="var(--sheet)"
                      stroke="var(--edge)"
                      stroke-width="1.6"
                    />
                  </svg>
                {:else}
                  <Cards cards={[40, 2]} cell={17} large={item.id === 'large'} />
                {/if}
              </span>
              <b class="kid">{item.n}</b>
              <span>{item.name}</span>
              <svg class="tick" width="24" height="24" viewBox="0 0 24 24" aria-hidden="true">
                {#if taken.has(item.id)}
                  <use href="#leaf" transform="translate(3 15) rotate(-10)" />
                {:else}
                  <circle
                    cx="12"
                    cy="12"
                    r="8"
                    fill="none"
                    stroke="var(--edge)"
                    stroke-width="1.6"
                  />
                {/if}
              </svg>
            </button>
          </li>
        {/each}
      </ul>
      <p class="small">Use the same list to count everything back at the end.</p>
    {/if}
  {/snippet}

  {#snippet mat()}
    <div class="gather">
      {#if hand.trouble}<Wrong trouble={hand.trouble} />{/if}
      {#if hand.conflict}<Wrong trouble={hand.conflict} />{/if}
      {#if lesson && one && lesson.steps.length}
        <h1>{askedOf(sum)}</h1>
        <p class="small">{sum?.stage.name}: as it lies when the question is asked</p>
        <div class="asked" bind:clientWidth={w} bind:clientHeight={h}>
          {#if w > 0 && h > 0}<Alone {lesson} index={0} {material} {w} {h} />{/if}
        </div>
      {:else if lesson && sum}
        {#if lesson.needs.alone}
          <h1>On the mat, cards only</h1>
          <p class="small">{sum.why}</p>
        {:else}
          <h1>On the mat, most pieces at once</h1>
        {/if}
        <div class="kinds" class:none={lesson.needs.alone}>
          {#each sum.pieces as p (p.place)}
            <div
              class="kind"
              style:background="var(--{p.place}-tint)"
              style:flex-grow={p.place === 'thousands' ? 1.25 : p.place === 'ones' ? 0.95 : 1.1}
            >
              <p>
                <b class="kid" style:color="var(--{p.place}-ink)">{p.count}</b>
                <span style:color="var(--{p.place}-ink)">{piece(p.place, p.count)}</span>
              </p>
              {#if p.count > SEEN}
                <div class="pile">
                  <Pile {material} place={p.place} n={p.count} {...small ? LOW : HIGH} />
                </div>
              {:else}
                <div class="heap" data-place={p.place}>
                  {#each { length: p.count }, i (i)}
                    <Piece {material} place={p.place} unit={scale(p.place, p.count)} />
                  {/each}
                </div>
              {/if}
              <p class="small from">{parts(p)}</p>
            </div>
          {/each}
        </div>
        <div class="row" class:many>
          <section>
            <h2>Cards: {lesson.needs.cardsSay}</h2>
            <div class="cards">
              {#if apart}
                <Cards cards={lesson.needs.large} cell={small ? 16 : 23} steps large />
                <span class="kid op"
                  >{sum.sign}{sum.kind === 'difference' ? '' : ` ${sum.numbers[1]} =`}</span
                >
              {/if}
              {#each sets as set, i (i)}
                {#if i > 0}<span class="kid op">{sum.kind === 'difference' ? '=' : '+'}</span>{/if}
                <Cards cards={set} cell={sets.length > FEW ? 13 : small ? 15 : 21} steps />
              {/each}
              {#if sum.kind === 'share'}
                <span class="small each">for each of {sum.numbers[1]}</span>
              {:else if !apart}
                <span class="kid op">{alike ? `${sum.sign} ${sum.numbers[1]} =` : '='}</span>
                <Cards cards={lesson.needs.large} cell={small ? 16 : 23} steps large />
              {/if}
            </div>
          </section>
          {#if lesson.needs.laid.length <= FEW}
            <section>
              <h2>Trays: {lesson.needs.traysSay}</h2>
              <div class="trays">
                {#each lesson.needs.laid as name, i (i)}
                  <p class="tray">
                    <span class="kid">{name}</span>
                    {#if !apart || i === 0}<span class="small">{builder(i + 1)}</span>{/if}
                  </p>
                {/each}
                {#if lesson.needs.result}
                  <p class="tray"><span class="small">{lesson.needs.result}</span></p>
                {/if}
              </div>
            </section>
          {/if}
        </div>
        <div class="lies">
          <div class="liesHead">
            <h1>How it lies</h1>
            {#if shared.mayPresent}<a
                class="act"
                href={view(`sheets?kind=gather&lesson=${params.lesson}`)}
                use:leads>Print the list</a
              >{/if}
            <Plain pressed={turned} onclick={() => (turned = !turned)}
              >{turned ? 'Turn to you' : 'Turn to the children'}</Plain
            >
          </div>
          <Lies
            trays={lesson.needs.laid}
            places={sum.pieces.map((p) => p.place)}
            store={!lesson.needs.alone}
            bank={desk.words.bank}
            children={link?.children ?? []}
            {turned}
          />
        </div>
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    {#if lesson && link}
      <Who
        learners={desk.learners}
        seated={lesson.children}
        roles={lesson.roles}
        turns={lesson.turns}
        seats={lesson.seats}
        may={shared.mayPresent && link.stand !== 'ended'}
        apart={lesson.apart}
        onseat={seat}
        onwhole={() => void whole()}
        bind:choosing
      />
      {#if choosing}
        <h2 class="next">{lesson.needs.cautions.length ? 'Check first' : 'Time'}</h2>
        {#each lesson.needs.cautions as care (care.id)}
          <p class="small care">{care.text[material]}</p>
        {/each}
        <p class="care"><b>{lesson.needs.time}</b></p>
      {:else}
        {#if lesson.reach}<p class="reach">{lesson.reach}</p>{/if}
        {#if lesson.needs.cautions.length}<h1 class="next">Check first</h1>{/if}
        <ul class="cares">
          {#each lesson.needs.cautions as care (care.id)}
            <li>
              <span class="carePic">
                {#if care.id === 'small-parts'}
                  <Piece {material} place="ones" unit={13} n={2} dx={1} />
                {:else if care.id === 'heavy-cube'}
                  <Piece {material} place="thousands" unit={1.7} />
                {:else}
                  <svg width="30" height="20" viewBox="0 0 30 20" aria-hidden="true">
                    <rect
                      x="1"
                      y="3"
                      width="20"
                      height="14"
                      fill="none"
                      stroke="var(--edge)"
                      stroke-width="1.8"
                    />
                    <path
                      d="M26 0V20"
                      stroke="var(--edge)"
                      stroke-width="1.8"
                      stroke-dasharray="3 3"
                    />
                  </svg>
                {/if}
              </span>
              {care.text[material]}
            </li>
          {/each}
        </ul>
        <h1 class="next">Time</h1>
        <p><b>{lesson.needs.time}</b></p>
        <p class="small">{lesson.needs.basis}</p>
        {#if lesson.then.length}
          <h1 class="next">Then</h1>
          {#each lesson.then.slice(0, SOON) as t, i (i)}<p class="kid then">{t}</p>{/each}
          {#if lesson.then.length > SOON}
            <p class="small">and {lesson.then.length - SOON} more</p>
          {/if}
        {/if}
      {/if}
    {/if}
  {/snippet}
  {#snippet foot()}
    <Next label="To the mat" key="space" disabled={!lesson} onclick={() => void layOut()} />
  {/snippet}
</Bench>

<style>
  .reach {
    margin-top: 12px;
    font-weight: 600;
    line-height: 20px;
  }
  .then {
    font-size: var(--t2);
    line-height: 26px;
  }
  .list {
    margin: var(--s2) 0;
  }
  .list button {
    display: grid;
    grid-template-columns: 44px 26px minmax(0, 1fr) 24px;
    align-items: center;
    gap: 5px;
    width: 100%;
    min-height: 58px;
    border-bottom: 4px solid #cbbf9f;
    line-height: 19px;
  }
  .list b {
    font-size: var(--t3);
  }
  .pic {
    display: grid;
    place-items: center;
  }
  .list button:hover .tick circle {
    stroke: var(--leaf);
  }
  .gather {
    display: flex;
    flex-direction: column;
    height: 100%;
    padding: var(--s4) 24px var(--s3);
    gap: var(--s2);
  }
  .asked {
    position: relative;
    flex: 1;
    min-height: 240px;
  }
  .list .one {
    grid-template-columns: minmax(0, 1fr) 24px;
  }
  .kinds.none {
    display: none;
  }
  .each {
    align-self: center;
  }
  .kinds {
    display: flex;
    gap: var(--s2);
    min-height: 176px;
  }
  .kind {
    flex: 1 1 0;
    min-width: 0;
    display: flex;
    flex-direction: column;
    padding: 6px var(--s3) 8px;
    border-radius: var(--r2);
  }
  .kind b {
    font-size: var(--t4);
    line-height: 36px;
    margin-right: 6px;
  }
  .kind span {
    font-weight: 600;
  }
  .heap {
    flex: 1;
    display: flex;
    flex-wrap: wrap;
    align-content: center;
    gap: 1px 2px;
  }
  .heap[data-place='ones'] {
    display: grid;
    grid-template-columns: repeat(5, minmax(0, 24px));
    grid-auto-rows: 22px;
  }
  .heap[data-place='ones'] :global(svg) {
    width: 22px;
    height: 22px;
  }
  .heap[data-place='tens'] {
    gap: 2px 1px;
  }
  .heap[data-place='hundreds'] :global(svg) {
    margin-right: -6px;
  }
  .heap[data-place='thousands'] :global(svg) {
    margin-right: -8px;
  }
  .from {
    margin-top: auto;
  }
  .pile {
    flex: 1;
    display: grid;
    place-content: center;
  }
  .row {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: var(--s4);
  }
  .row.many {
    grid-template-columns: 1fr;
  }
  .cards {
    display: flex;
    align-items: flex-start;
    gap: var(--s2);
    margin-top: 6px;
    min-height: 116px;
  }
  .op {
    font-size: var(--t3);
    color: var(--ink-2);
  }
  .trays {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: var(--s2);
    margin-top: 6px;
  }
  .tray {
    display: flex;
    flex-direction: column;
    justify-content: center;
    min-height: 54px;
    padding: 2px var(--s3);
    border: 1.6px solid var(--edge);
    border-radius: var(--r3);
    background: var(--sheet);
    line-height: 20px;
  }
  .lies {
    flex: 1;
    min-height: 0;
    display: flex;
    flex-direction: column;
  }
  .liesHead {
    display: flex;
    justify-content: space-between;
    align-items: center;
  }
  @media (max-width: 1100px) {
    .lies {
      flex: 1 0 auto;
      height: 236px;
    }
    .gather {
      overflow-y: auto;
      padding: var(--s3) 16px var(--s2);
      gap: 6px;
    }
    .kinds {
      min-height: 128px;
    }
    .kind {
      padding: 2px var(--s2) 6px;
    }
    .kind b {
      font-size: var(--t3);
      line-height: 28px;
      margin-right: 4px;
    }
    .kind span,
    .from {
      font-size: var(--t1);
      line-height: 17px;
    }
    .heap[data-place='ones'] {
      grid-template-columns: repeat(5, minmax(0, 17px));
      grid-auto-rows: 15px;
    }
    .heap[data-place='ones'] :global(svg) {
      width: 15px;
      height: 15px;
    }
    .cards {
      min-height: 76px;
      gap: 4px;
    }
    .tray {
      min-height: 44px;
      padding: 0 var(--s2);
      line-height: 18px;
    }
  }
  @media (min-width: 700.1px) and (max-width: 900px) {
    .trays {
      grid-template-columns: repeat(3, 1fr);
    }
    .list {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 0 var(--s4);
    }
    .list button {
      min-height: 50px;
    }
  }
  .next {
    margin-top: var(--s4);
  }
  h2.next {
    margin-top: var(--s2);
  }
  .care {
    margin-top: 4px;
  }
  .cares li {
    display: grid;
    grid-template-columns: 40px 1fr;
    align-items: center;
    gap: 6px;
    margin-top: 6px;
    line-height: 20px;
  }
  @media (max-width: 700px) {
    .gather {
      height: auto;
      padding: var(--s3) 14px;
    }
    .kinds,
    .row {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(128px, 1fr));
    }
    .kinds.none {
      display: none;
    }
    .row {
      grid-template-columns: 1fr;
    }
    .cards {
      flex-wrap: wrap;
      min-height: 0;
    }
  }
</style>
