<script lang="ts">
  // A lesson that suggests itself: who, what, with which numbers and why; opened by one touch,
  // put off by two.
  import { link } from 'svelte-spa-router';
  import { view } from '../../lib/state.svelte';
  import type { Meeting, Named } from '../../lib/wire.gen';
  import Tried from './Tried.svelte';

  let {
    m,
    whys,
    material,
    busy,
    onopen,
    onoff,
  }: {
    m: Meeting;
    whys: Named[];
    material: string;
    busy: boolean;
    onopen: () => void;
    onoff: (why: string) => void;
  } = $props();

  let putting = $state(false);
  const DOTS = 7;
  const numbers = $derived(
    view(`numbers?stage=${m.stage}&children=${m.seats.map((c) => c.id).join(',')}`),
  );
</script>

<li class="bud" class:waits={!m.fits} data-leaving={m.leaving ? '' : undefined}>
  <svg class="bud-node" width="40" height="30" viewBox="0 0 40 30" aria-hidden="true">
    <path d="M2 22C10 22 12 12 22 12" class="stalk" />
    <path d="M22 12C24 5 33 4 38 8C34 15 27 17 22 12Z" class="leaf" />
  </svg>
  <button class="what" disabled={busy} onclick={onopen}>
    <span class="small"
      >{m.again || (m.leaving ? 'could leave the pieces' : 'suggested for')}{#if !m.fits}<span
          class="late">, does not fit into the day</span
        >{/if}</span
    >
    <strong>{m.seats.map((c) => c.name).join(', ')}</strong>
    <span class="stage">{m.name}</span>
    {#if !m.leaving}<span class="why-next">{m.why}</span>{/if}
  </button>
  <span class="right">
    {#if !m.leaving}<span class="kid">{m.shown.map((b) => b.task).join(', ')}</span>{/if}
    <span class="small">{m.minutes}</span>
  </span>
  {#if m.leaving}
    <div class="whole">
      <Tried shown={m.shown} {material} />
      <table>
        <thead><tr><th></th><th>right alone in a row</th><th>last</th></tr></thead>
        <tbody>
          {#each m.seats as c (c.id)}
            <tr>
              <th class="private">{c.name}</th>
              <td
                ><span class="dots" aria-hidden="true"
                  >{#each { length: Math.min(DOTS, c.inRow) }, i (i)}<i></i>{/each}</span
                ><span class="unseen">{c.inRow}</span></td
              >
              <td>{c.last}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      <p class="small">
        The pieces stay in reach. One wrong: back to pieces and column, and nothing is lost.
      </p>
    </div>
  {/if}
  <div class="acts">
    <details class="reasons">
      <summary>Why each of them</summary>
      <ul>
        {#each m.seats as c (c.id)}<li><b>{c.name}</b> {c.why}</li>{/each}
      </ul>
    </details>
    <a class="act" href={numbers} use:link>Other numbers</a>
    <button class="act" aria-expanded={putting} onclick={() => (putting = !putting)}>Put off</button
    >
  </div>
  {#if putting}
    <div class="whys" role="group" aria-label="Why it is put off">
      {#each whys as why (why.id)}
        <button disabled={busy} onclick={() => onoff(why.id)}>{why.name}</button>
      {/each}
    </div>
  {/if}
</li>

<style>
  .bud {
    position: relative;
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 4px var(--s5);
    padding: var(--s4) 0 var(--s3);
    border-top: 1px solid var(--line);
  }
  .bud-node {
    position: absolute;
    left: -47px;
    top: 16px;
  }
  .stalk {
    fill: none;
    stroke: var(--leaf);
    stroke-width: 1.8;
  }
  .leaf {
    fill: var(--paper);
    stroke: var(--leaf);
    stroke-width: 1.8;
  }
  .what {
    display: flex;
    flex-direction: column;
    gap: 2px;
    text-align: left;
  }
  strong {
    color: var(--leaf);
    font-size: var(--t3);
    line-height: 26px;
    font-weight: 650;
  }
  .what:hover strong {
    text-decoration: underline;
  }
  .waits strong {
    color: var(--ink-2);
  }
  .late {
    color: var(--clay-ink);
  }
  .stage {
    font-weight: 600;
  }
  .why-next {
    color: var(--ink-2);
  }
  .right {
    display: flex;
    flex-direction: column;
    align-items: flex-end;
    color: var(--ink-2);
  }
  .right .kid {
    font-size: var(--t3);
    line-height: 28px;
    white-space: nowrap;
  }
  .whole,
  .acts,
  .whys {
    grid-column: 1 / -1;
  }
  table {
    border-collapse: collapse;
    line-height: 24px;
  }
  th {
    font-weight: 600;
    text-align: left;
    padding-right: 24px;
  }
  thead th {
    font-weight: 400;
    color: var(--ink-2);
    font-size: var(--t1);
  }
  td {
    padding-right: 24px;
  }
  .dots {
    display: inline-flex;
    gap: 4px;
  }
  .dots i {
    width: 11px;
    height: 11px;
    border-radius: 50%;
    background: var(--leaf);
    forced-color-adjust: none;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: flex-start;
    gap: 0 24px;
  }
  .reasons[open] {
    flex-basis: 100%;
  }
  .reasons summary,
  .act {
    display: flex;
    align-items: center;
    min-height: 44px;
    color: var(--leaf);
    font-weight: 650;
    cursor: pointer;
  }
  .reasons li {
    margin: 4px 0 8px;
    line-height: 20px;
  }
  .whys {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    padding-bottom: 8px;
  }
  .whys button {
    min-height: 44px;
    padding: 0 14px;
    border: 1.5px solid var(--leaf);
    border-radius: var(--r2);
    background: var(--paper);
    color: var(--leaf);
    font-weight: 600;
  }
  @media (max-width: 700px) {
    .bud {
      grid-template-columns: 1fr;
      padding: var(--s3) 0;
    }
    .right {
      flex-direction: row;
      gap: 12px;
      align-items: baseline;
    }
  }
</style>
