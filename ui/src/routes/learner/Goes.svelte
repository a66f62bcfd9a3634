<script lang="ts">
  // What goes wrong in one child's work: each slip with the answers that show it, how sure,
  // what else it could be, and what to do about it.
  import Sign from '../../lib/pieces/Sign.svelte';
  import Written from '../../lib/parts/Written.svelte';
  import type { GoesWrong } from '../../lib/wire.gen';
  import Beads from './Beads.svelte';

  let {
    wrong,
    at = $bindable(),
    mayAsk,
    onask,
    onset,
    onname,
  }: {
    wrong: GoesWrong[];
    at: number; // the one that is looked at: the action is about it
    mayAsk: boolean;
    onask: (of: GoesWrong) => void;
    onset: (of: GoesWrong) => void; // asks all questions that settle it
    onname?: (slip: string, name: string) => void; // keeps the class's own name for a slip
  } = $props();

  const TEN = 10;
</script>

{#each wrong as g, i (g.says + g.under)}
  <section class:at={i === at}>
    <button class="head" aria-pressed={i === at} onclick={() => (at = i)}>
      <Sign state={g.facts ? 'under-way' : 'wobbling'} />
      <span class="says">
        <b>{g.says}</b>
        {#if g.own}<span class="own">we call it “{g.own}”</span>{/if}
        <span class="small">{g.under}</span>
      </span>
      {#if g.told}
        <span class="sure small"><Beads held={g.likely} of={TEN} />{g.sure}</span>
      {/if}
    </button>
    <div class="answers">
      {#each g.answers as a, k (k)}
        <figure>
          <figcaption class="small">{a.day}</figcaption>
          {#if a.numbers.length}
            <Written
              numbers={a.numbers}
              sign={a.sign}
              result={a.given || '?'}
              right={a.right ? '' : a.result}
              size={24}
              cell={16}
            />
          {:else}
            <span class="kid one"
              >{a.task}<br /><b class:off={!a.right}>{a.given || 'no answer'}</b></span
            >
          {/if}
          {#if a.right}<span class="small">right all the same</span>{/if}
        </figure>
      {/each}
    </div>
    {#if g.rivals.length}
      <div class="rivals">
        <h3 class="small">{g.told ? 'What else it could be' : 'What it could be'}</h3>
        <ul>
          {#each g.rivals as r (r.says)}
            <li>
              <span class="cap">{r.says}</span>
              <Beads held={r.likely} of={TEN} />
              {#if r.against}<span class="small">{r.against}</span>{/if}
            </li>
          {/each}
        </ul>
      </div>
    {/if}
    {#if g.ask}
      <div class="ask">
        <h3 class="small">One question would tell</h3>
        <ul>
          {#each g.ask.gives as x (x.answer)}
            <li><b class="kid" class:off={!x.right}>{x.answer}</b><span>{x.says}</span></li>
          {/each}
        </ul>
        {#if mayAsk}
          <button class="do" onclick={() => onask(g)}>Ask {g.ask.says}</button>
          {#if g.ask.set.length}
            <p>It takes {g.ask.set.length} to settle it for good:</p>
            <button class="do" onclick={() => onset(g)}>Ask {g.ask.named}</button>
          {/if}
        {/if}
      </div>
    {/if}
    {#if g.look}
      <div class="helps">
        <div>
          <h3 class="small">Look for</h3>
          <p>{g.look}</p>
        </div>
        <div>
          <h3 class="small">The step that helps</h3>
          <p>{g.helps}</p>
        </div>
        {#if onname}
          <label
            ><span class="small">Our own name for it</span>
            <input
              value={g.own}
              maxlength="40"
              placeholder="as the class says it"
              onchange={(e) => onname(g.slip, e.currentTarget.value)}
            /></label
          >
        {/if}
      </div>
    {/if}
  </section>
{:else}
  <p class="none">
    Nothing goes wrong again and again in the last answers. What is written here comes from the
    answers that are recorded as they were given.
  </p>
{/each}

<style>
  section {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 8px 28px;
    padding: 10px 12px 14px;
    border-bottom: 1px solid var(--line);
    border-left: 4px solid var(--none);
  }
  section.at {
    border-left-color: var(--leaf);
  }
  .head,
  .answers {
    grid-column: 1 / -1;
  }
  .head {
    display: flex;
    align-items: center;
    gap: 12px;
    min-height: 48px;
    text-align: left;
  }
  .says {
    display: flex;
    flex: 1;
    flex-direction: column;
  }
  .says b {
    font-size: var(--t3);
    line-height: 26px;
  }
  .sure {
    text-align: right;
    white-space: nowrap;
  }
  .answers {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-start;
    gap: 10px 30px;
    padding-left: 36px;
    margin-bottom: 6px;
  }
  figure {
    display: flex;
    flex-direction: column;
    align-items: flex-end;
  }
  .one {
    font-size: var(--t3);
    line-height: 26px;
    text-align: right;
  }
  .off {
    color: var(--clay-ink);
  }
  .rivals,
  .ask,
  .helps {
    padding-left: 36px;
    font-size: var(--t1);
    line-height: 20px;
  }
  .ask {
    padding-left: 0;
  }
  .helps {
    grid-column: 1 / -1;
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 4px 28px;
  }
  h3 {
    font-weight: 650;
  }
  .rivals li,
  .ask li {
    margin-top: 4px;
  }
  .ask li {
    display: flex;
    align-items: flex-start;
    gap: 10px;
  }
  .ask li span {
    padding-top: 4px;
  }
  .ask li b {
    flex: none;
    min-width: 52px;
    padding: 0 6px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    font-size: var(--t2);
    line-height: 26px;
    text-align: right;
  }
  .ask li b.off {
    border-color: var(--clay);
  }
  .cap::first-letter {
    text-transform: uppercase;
  }
  .cap {
    display: inline-block;
  }
  .own {
    color: var(--plum);
    font-weight: 650;
  }
  .helps input {
    display: block;
    width: 100%;
    min-height: 44px;
    padding: 0 10px;
    border: 1px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font: inherit;
    color: inherit;
  }
  .helps p {
    margin-bottom: 4px;
  }
  .do {
    min-height: 44px;
    margin-top: 8px;
    padding: 0 16px;
    border: 1.5px solid var(--leaf);
    border-radius: var(--r2);
    background: var(--paper);
    color: var(--leaf);
    font-weight: 650;
  }
  .do:hover {
    background: var(--leaf-tint);
  }
  .none {
    max-width: 480px;
    margin: 24px 12px;
  }
  @media (max-width: 700px) {
    section {
      grid-template-columns: 1fr;
    }
    .answers,
    .rivals,
    .helps {
      padding-left: 0;
    }
    .helps {
      grid-template-columns: 1fr;
    }
  }
</style>
