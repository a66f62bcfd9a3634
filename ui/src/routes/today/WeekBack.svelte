<script lang="ts">
  // Who was seen on which of the last five school days; those who were seen least come first.
  import { link } from 'svelte-spa-router';
  import { view } from '../../lib/state.svelte';
  import type { Week } from '../../lib/wire.gen';

  let { week }: { week: Week } = $props();
</script>

{#if week.rows.length}
  <table>
    <thead>
      <tr>
        <th class="unseen">child</th>
        {#each week.days as day, i (day)}<th scope="col" class:now={i === week.now}>{day}</th
          >{/each}
      </tr>
    </thead>
    <tbody>
      {#each week.rows as row (row.id)}
        <tr class:none={row.days === 0}>
          <th scope="row"
            ><a href={view(`learner/${row.id}`)} use:link>{row.name}</a>{#if row.away}<span
                class="small">away today</span
              >{/if}</th
          >
          {#each row.seen as seen, i (i)}
            <td class:now={i === week.now}>
              {#if seen}<svg width="22" height="22" viewBox="-11 -18 22 22" aria-hidden="true"
                  ><use href="#leaf" transform="rotate(-30) scale(.9)" /></svg
                >{/if}<span class="unseen">{seen ? 'seen' : 'not seen'}</span>
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
{:else}
  <p class="small">There are no children in the class yet.</p>
{/if}

<style>
  table {
    width: 100%;
    max-width: 620px;
    border-collapse: collapse;
  }
  th,
  td {
    height: 44px;
    border-top: 1px solid var(--line);
    text-align: center;
    vertical-align: middle;
  }
  thead th {
    border: 0;
    height: 32px;
    font-weight: 400;
    color: var(--ink-2);
  }
  td svg {
    display: block;
    margin: 0 auto;
  }
  .now {
    background: var(--leaf-tint);
  }
  thead .now {
    color: var(--ink);
    font-weight: 650;
  }
  [scope='row'] {
    text-align: left;
    font-weight: 600;
    white-space: nowrap;
  }
  [scope='row'] a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
    padding-right: 12px;
    color: inherit;
    text-decoration: none;
  }
  [scope='row'] a:hover {
    color: var(--leaf);
  }
  .none a {
    color: var(--clay-ink);
  }
</style>
