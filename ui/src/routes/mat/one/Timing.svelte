<script lang="ts">
  // How long a handful takes to count, each time: counted again, it goes faster. Compared
  // with the child's own last time alone.
  import { onMount } from 'svelte';
  import { api } from '../../../lib/api';
  import { newId } from '../../../lib/id';
  import Plain from '../../../lib/parts/Plain.svelte';
  import Wrong from '../../../lib/parts/Wrong.svelte';
  import { classPath, guarded, saved, shared, troubleOf } from '../../../lib/state.svelte';
  import type { Learner, Record as Page, Timed, Trouble } from '../../../lib/wire.gen';

  let {
    id,
    nth,
    child,
    says = 'Seconds of each count',
    begin = 'Time the count',
    again = 'Count again',
  }: {
    id: string;
    nth: number;
    child: Learner;
    says?: string;
    begin?: string;
    again?: string;
  } = $props();
  const MINUTE = 60;
  const told = (s: number): string =>
    s < MINUTE
      ? `${s} s`
      : `${Math.floor(s / MINUTE)} min ${s % MINUTE ? `${s % MINUTE} s` : ''}`.trim();

  const MOST = 3600; // seconds that a count may take
  let page = $state.raw<Page>();
  let since = $state(0); // when the counting began; 0 while nobody counts
  let now = $state(0);
  let unkept = $state<Timed>(); // a count that has not reached the server
  let trouble = $state<Trouble>();

  const counts = $derived((page?.tasks[nth]?.counts ?? []).filter((c) => c.learner === child.id));
  const longest = $derived(Math.max(1, ...counts.map((c) => c.seconds)));
  const seconds = $derived(since ? Math.max(0, Math.round((now - since) / 1000)) : 0);

  $effect(() => {
    if (!since) return;
    const timer = setInterval(() => (now = Date.now()), 250);
    return () => clearInterval(timer);
  });
  function turn(): void {
    if (!since) {
      since = now = Date.now();
      return;
    }
    now = Date.now();
    const took = Math.min(MOST, Math.max(1, seconds));
    since = 0;
    void keep({ id: newId(), learner: child.id, nth, seconds: took });
  }
  async function keep(made: Timed): Promise<void> {
    unkept = made;
    try {
      page = await saved(api<Page>('POST', classPath(`/lessons/${id}/counts`), made));
      unkept = trouble = undefined;
      shared.said = `${made.seconds} seconds`;
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
  onMount(async () => {
    try {
      page = await guarded(api<Page>('GET', classPath(`/lessons/${id}/record`)));
    } catch (error) {
      trouble = troubleOf(error);
    }
  });
</script>

<section aria-label={says}>
  <h2>{says}</h2>
  <ol>
    {#each counts as c, i (i)}
      <li>
        <span class="bar" style:width="{(c.seconds / longest) * 60}%"></span>
        <b class="kid">{told(c.seconds)}</b>
      </li>
    {/each}
  </ol>
  {#if unkept && trouble}
    <Plain onclick={() => unkept && void keep(unkept)}>Keep {told(unkept.seconds)}</Plain>
  {:else}
    <Plain onclick={turn}>{since ? `Stop: ${told(seconds)}` : counts.length ? again : begin}</Plain>
  {/if}
  {#if trouble}<Wrong {trouble} />{/if}
</section>

<style>
  section {
    margin-top: var(--s3);
  }
  ol {
    margin: 4px 0 8px;
  }
  li {
    display: flex;
    align-items: center;
    gap: 8px;
    min-height: 26px;
  }
  .bar {
    height: 14px;
    background: repeating-linear-gradient(90deg, var(--leaf) 0 3px, transparent 3px 6px);
  }
</style>
