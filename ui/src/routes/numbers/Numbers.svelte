<script lang="ts">
  // Choosing numbers by the swaps that they cause: a stage or knots tied by
  // hand, the exact count, a hand of twelve, or a sum of one's own.
  import { onMount } from 'svelte';
  import { push, router } from 'svelte-spa-router';
  import { api } from '../../lib/api';
  import Bench from '../../lib/bench/Bench.svelte';
  import { shortcuts } from '../../lib/keys';
  import Next from '../../lib/parts/Next.svelte';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import Cord from '../../lib/pieces/Cord.svelte';
  import type { State } from '../../lib/pieces/cord';
  import { classPath, guarded, loadDesk, shared, troubleOf, view } from '../../lib/state.svelte';
  import type { Choose, Chosen, Lesson, Sum, Trouble } from '../../lib/wire.gen';
  import Hand from './Hand.svelte';
  import Picked from './Picked.svelte';
  import States from './States.svelte';
  import Strip from './Strip.svelte';

  const desk = $derived(shared.desk!);
  const TWELVE = 12;
  const kept = `choice-${shared.desk!.class.id}`;

  const start = (): Choose => ({
    stage: shared.desk!.stages[1]!.id,
    digits: [2, 2],
    swap: {},
    zeros: 'any',
    count: TWELVE,
    seed: '',
  });
  const stored = (): Choose => {
    try {
      return { ...start(), ...JSON.parse(sessionStorage.getItem(kept) ?? '{}') };
    } catch {
      return start();
    }
  };

  /** What Class plans: a stage, and who comes. */
  const planned = new URLSearchParams(router.querystring ?? '');
  const children = (planned.get('children') ?? '').split(',').filter((id) => id);
  const who = $derived(desk.learners.filter((l) => children.includes(l.id)).map((l) => l.name));

  let ask = $state<Choose>(stored());
  let chosen = $state<Chosen>();
  let picked = $state<Sum>();
  let hand = $state('ones');
  let typed = $state('');
  let wrong = $state<Trouble>(); // beside the typed sum
  let trouble = $state<Trouble>(); // of the choice
  let opening = $state(false);
  let asked = 0;

  const ZEROS: [string, string][] = [
    ['no', 'never'],
    ['any', 'may'],
    ['yes', 'must'],
  ];
  const material = $derived(desk.settings.material);

  async function choose(next: Choose): Promise<void> {
    ask = next;
    const turn = ++asked;
    const before = picked;
    try {
      const got = await guarded(api<Chosen>('POST', classPath('/choose'), next));
      if (turn !== asked) return;
      chosen = got;
      trouble = undefined;
      ask = { ...got.choice, count: TWELVE, seed: '' };
      sessionStorage.setItem(kept, JSON.stringify({ ...ask, seed: got.seed }));
      if (!got.knots.some((k) => k.place === hand)) hand = 'ones';
      // A sum that was picked or looked at meanwhile stays.
      if (picked === before) picked = got.problems[0];
      shared.said = `${got.fits} problems fit`;
    } catch (error) {
      if (turn === asked) trouble = troubleOf(error);
    }
  }

  /** Picks a stage; where it needs more places than the numbers have they are made longer. */
  const stage = (id: string): void => {
    const least = desk.stages.find((s) => s.id === id)?.least ?? 1;
    const short = Math.max(...ask.digits) < least;
    void choose({
      ...ask,
      stage: id,
      swap: {},
      digits: ask.digits.map((d) => (short ? least : d)),
    });
  };
  const tie = (place: string, state: string): void => {
    hand = place;
    const swap = { ...ask.swap };
    if (state === 'any') delete swap[place];
    else swap[place] = state;
    void choose({ ...ask, swap });
  };
  const digits = (number: number, n: number): void =>
    void choose({ ...ask, digits: ask.digits.map((d, i) => (i === number ? n : d)) });
  const redraw = (): void => void choose({ ...ask, seed: '' });

  async function look(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const before = picked;
    picked = undefined; // nothing is gathered for a sum that is not looked at yet
    try {
      picked = await guarded(api<Sum>('POST', classPath('/look'), { text: typed }));
      wrong = undefined;
      shared.said = `${picked.text}: ${picked.stage.name}`;
    } catch (error) {
      picked = before;
      wrong = troubleOf(error);
    }
  }

  async function gather(): Promise<void> {
    if (!picked?.laidOut || opening) return;
    opening = true;
    const id = crypto.randomUUID();
    const drawn = chosen?.problems.some((p) => p.text === picked?.text);
    const body = {
      id,
      kind: picked.kind,
      problems: [picked.numbers],
      stage: drawn ? ask.stage : '',
      children,
    };
    try {
      await guarded(api<Lesson>('POST', classPath('/lessons'), body));
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
    shared.said = `${sum.text}, ${sum.swaps}`;
  }

  onMount(() => {
    const id = planned.get('stage');
    if (id && desk.stages.some((s) => s.id === id)) stage(id);
    else void choose(ask);
  });
</script>

<svelte:window onkeydown={shortcuts({ space: gather, d: redraw })} />

<Bench
  title="Numbers"
  keys={[
    ['space', 'gather for the picked sum'],
    ['d', 'draw twelve more'],
    ['arrows', 'along the knots, or the hand'],
  ]}
  drawer={150}
  shelfSays={desk.stages.find((s) => s.id === ask.stage)?.name ?? 'by hand'}
  bookSays={picked ? `${picked.text} picked` : ''}
>
  {#snippet shelf()}
    <div class="joining">
      <h1>Joining</h1>
      <p class="small">two numbers, {material}</p>
    </div>
    <div class="stages" role="radiogroup" aria-label="Stage">
      {#each desk.stages as s (s.id)}
        <button
          role="radio"
          class="stage"
          aria-checked={ask.stage === s.id}
          onclick={() => stage(s.id)}
        >
          {s.name}
          <Cord
            places={['ones', 'tens', 'hundreds', 'thousands']}
            states={s.knots as State[]}
            made={[false, s.made, false, false]}
            pitch={40}
            s={0.56}
            ground={ask.stage === s.id ? 'var(--leaf-tint)' : 'var(--paper-2)'}
          />
        </button>
      {/each}
      <button
        role="radio"
        class="stage"
        aria-checked={ask.stage === ''}
        onclick={() => choose({ ...ask, stage: '' })}
      >
        tied by hand
      </button>
    </div>
    <div class="how small">
      <p>A cord is a place, read from the right.</p>
      <p><b>Linked loops</b>: {desk.words.aSwap}.</p>
      <p><b>Ends apart</b>: {desk.words.noSwap}.</p>
      <p><b>Dashed loops</b>: either.</p>
    </div>
    <form class="own" onsubmit={look} novalidate>
      <label for="own">Numbers of your own</label>
      <span>
        <input
          id="own"
          class="kid"
          class:wrong
          inputmode="text"
          autocomplete="off"
          placeholder="47+25"
          bind:value={typed}
          aria-describedby={wrong ? 'own-wrong' : undefined}
        />
        <Plain type="submit">Look</Plain>
      </span>
      {#if wrong}<Wrong trouble={wrong} id="own-wrong" />{/if}
    </form>
  {/snippet}

  {#snippet mat()}
    <div class="numbers">
      {#if chosen}
        <div class="top">
          <Strip
            {chosen}
            lengths={ask.digits}
            words={desk.words}
            {hand}
            onhand={(p) => (hand = p)}
            ontie={tie}
            ondigits={digits}
          />
          <div class="states">
            <States {chosen} words={desk.words} {hand} ontie={tie} />
          </div>
        </div>
        <div class="bar">
          <h1>
            {chosen.problems.length === TWELVE
              ? 'Twelve of them'
              : chosen.problems.length
                ? 'All of them'
                : 'None of them'}
          </h1>
          <div class="zeros" role="radiogroup" aria-label="Zeros in the numbers">
            <span>zeros</span>
            {#each ZEROS as [value, name] (value)}
              <button
                role="radio"
                aria-checked={ask.zeros === value}
                onclick={() => choose({ ...ask, zeros: value })}>{name}</button
              >
            {/each}
          </div>
          <Plain disabled={BigInt(chosen.fits) <= TWELVE} onclick={redraw}>Draw twelve more</Plain>
        </div>
        {#if trouble}<Wrong {trouble} />{/if}
        {#if chosen.clash}
          <div class="clash">
            <p>{chosen.clash}</p>
            {#each chosen.mends as mend (mend.text)}
              <Plain onclick={() => choose({ ...mend.choice, count: TWELVE, seed: '' })}>
                {mend.text}
                <span class="kid">{BigInt(mend.fits).toLocaleString('en')} fit</span>
              </Plain>
            {/each}
          </div>
        {:else}
          <Hand sums={chosen.problems} picked={picked?.text} onpick={pick} />
        {/if}
      {:else if trouble}
        <Wrong {trouble} />
        <Plain onclick={() => choose(start())}>Begin again</Plain>
      {/if}
    </div>
  {/snippet}

  {#snippet book()}
    <h1 class="joining">In the book</h1>
    {#if picked}
      <Picked sum={picked} words={desk.words} {material} />
      {#if picked.why}<p class="why">{picked.why}</p>{/if}
    {:else}
      <p class="small">The sum that you pick is written here, with what it asks of the shelf.</p>
    {/if}
  {/snippet}
  {#snippet foot()}
    {#if who.length}<p class="small">For {who.join(', ')}</p>{/if}
    <Next label="Gather" key="space" disabled={!picked?.laidOut || opening} onclick={gather} />
  {/snippet}
</Bench>

<style>
  .stages {
    display: flex;
    flex-direction: column;
    margin: var(--s2) -16px 0 -20px;
  }
  .stage {
    display: flex;
    flex-direction: column;
    justify-content: center;
    min-height: 58px;
    padding: 4px var(--s3) 4px 20px;
    border-left: 4px solid transparent;
    line-height: 20px;
  }
  .stage:last-child {
    min-height: 44px;
  }
  .stage:hover {
    background: var(--paper);
  }
  .stage :global(svg) {
    max-width: 100%;
  }
  .stage[aria-checked='true'] {
    border-color: var(--leaf);
    background: var(--leaf-tint);
    font-weight: 650;
  }
  .how {
    margin-top: var(--s3);
  }
  .how b {
    font-weight: 600;
  }
  @media (max-height: 780px), (max-width: 900px) {
    .how {
      display: none;
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
  .zeros button {
    min-height: 44px;
    padding: 0 var(--s3);
    border: 1.5px solid var(--edge);
    border-left-width: 0;
    background: var(--paper);
  }
  .zeros button:nth-of-type(1) {
    border-left-width: 1.5px;
    border-radius: var(--r2) 0 0 var(--r2);
  }
  .zeros button:nth-of-type(3) {
    border-radius: 0 var(--r2) var(--r2) 0;
  }
  .zeros button[aria-checked='true'] {
    background: var(--leaf-tint);
    font-weight: 650;
    box-shadow: inset 0 -3px 0 var(--leaf);
  }
  .clash {
    display: flex;
    flex-direction: column;
    align-items: flex-start;
    gap: var(--s3);
    max-width: 520px;
    padding-top: var(--s4);
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
      gap: var(--s2);
      margin: 4px 0;
    }
    .bar h1 {
      font-size: var(--t2);
    }
    .zeros span {
      display: none;
    }
  }
  @media (max-width: 900px) {
    .joining {
      display: none;
    }
    .stages {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      margin: 0 250px 0 0;
    }
    .stage,
    .stage:last-child {
      min-height: 42px;
      padding-left: var(--s2);
    }
    .stage :global(svg) {
      display: none;
    }
    .own {
      position: absolute;
      right: 20px;
      width: 230px;
      margin: 0;
      padding: 0;
    }
  }
  .why {
    margin-top: var(--s3);
    color: var(--clay-ink);
    font-weight: 600;
  }
</style>
