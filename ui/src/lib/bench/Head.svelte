<script lang="ts">
  // The head of every view: the mark, the views that exist, the class, whether
  // all is saved, the keys. What is not opens a list of it.
  import { link, router } from 'svelte-spa-router';
  import Logo from '../parts/Logo.svelte';
  import { outbox } from '../outbox.svelte';
  import Unsent from '../parts/Unsent.svelte';
  import { lessonAddress, shared, view } from '../state.svelte';

  let { onkeys }: { onkeys: () => void } = $props();

  const inHand = $derived(shared.desk?.inHand);
  const mat = $derived(inHand ? view(lessonAddress(inHand)) : '');
  const at = $derived(router.location.split('/')[2] ?? '');
  const waiting = $derived(outbox.waiting.length);
  const refused = $derived(outbox.refused.length);
  /** True at every moment: what is here and not there is counted. */
  const unsent = $derived(
    [
      refused && `refused: ${refused}`,
      waiting && !outbox.trying && `waiting: ${waiting}`,
      !outbox.kept && 'not kept on this device',
      outbox.erased && `erased: ${outbox.erased}`,
    ]
      .filter(Boolean)
      .join(', '),
  );
  const saving = $derived(waiting || shared.saving ? 'Saving' : 'Saved');
  let list = $state<Unsent>();
</script>

{#snippet to(name: string, href: string, on: boolean)}
  <a {href} use:link aria-current={on ? 'page' : undefined}>
    {name}
    {#if on}
      <svg width="32" height="12" viewBox="0 0 32 12" aria-hidden="true">
        <path
          d="M1 8.5C9 11 18 10 31 8"
          stroke="var(--leaf)"
          stroke-width="2.6"
          fill="none"
          stroke-linecap="round"
        />
        <use href="#leaf" transform="translate(16 9) rotate(-14) scale(.5)" />
      </svg>
    {/if}
  </a>
{/snippet}

<header>
  <span class="brand"><Logo /><span>Vine Swap</span></span>
  <nav aria-label="Views">
    {@render to('Today', view('today'), at === 'today')}
    {#if shared.mayPresent}{@render to('Numbers', view('numbers'), at === 'numbers')}{/if}
    {#if mat}{@render to(
        inHand?.whole ? 'Slates' : 'Mat',
        mat,
        ['mat', 'gather', 'record', 'slates'].includes(at),
      )}{/if}
    {#if shared.mayPresent}{@render to('Openers', view('openers'), at === 'openers')}{/if}
    {@render to('Sheets', view('sheets'), ['sheets', 'answers', 'minute', 'table'].includes(at))}
    {@render to('Class', view('class'), at === 'class' || at === 'learner')}
  </nav>
  <span class="right">
    <a
      class="class"
      href={view('settings')}
      use:link
      aria-current={at === 'settings' || at === 'people' ? 'page' : undefined}
    >
      {shared.desk?.class.name}
    </a>
    <span class="saved" class:waits={unsent !== ''} role="status">
      {#if unsent}<button onclick={() => list?.open()}>{unsent}</button>{:else}{saving}{/if}
    </span>
    <button class="keys" onclick={onkeys} aria-label="Keys on this page"><span>?</span></button>
  </span>
</header>
<Unsent bind:this={list} />

<style>
  header {
    display: flex;
    align-items: center;
    height: 52px;
    padding: 0 var(--s4) 0 20px;
  }
  .brand {
    display: flex;
    align-items: center;
    gap: 10px;
    width: 208px;
    font-size: var(--t3);
    font-weight: 650;
    letter-spacing: -0.01em;
    white-space: nowrap;
  }
  nav {
    display: flex;
    height: 100%;
  }
  nav a {
    position: relative;
    display: flex;
    align-items: center;
    padding: 0 15px;
    text-decoration: none;
    color: var(--ink-2);
  }
  nav a[aria-current] {
    color: var(--ink);
    font-weight: 650;
  }
  nav a svg {
    position: absolute;
    left: 50%;
    bottom: 0;
    margin-left: -16px;
  }
  nav a:hover,
  .class:hover {
    color: var(--leaf);
  }
  .right {
    margin-left: auto;
    display: flex;
    align-items: center;
    gap: var(--s4);
    min-width: 0;
  }
  .class {
    min-height: 44px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    line-height: 44px;
    font-weight: 600;
    text-decoration: underline;
    text-decoration-color: var(--edge);
    text-underline-offset: 4px;
  }
  .saved {
    width: 3.4em; /* of its own, so that the head is not laid out for it */
    height: 22px;
    contain: strict;
    font-size: var(--t1);
    line-height: 22px;
    color: var(--ink-2);
  }
  .saved.waits {
    width: auto;
    contain: none;
    height: auto;
    color: var(--clay-ink);
    font-weight: 600;
    white-space: nowrap;
  }
  .saved button {
    min-height: 44px;
    color: inherit;
    font: inherit;
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  .keys {
    flex: none;
    display: grid;
    place-items: center;
    width: 44px;
    height: 44px;
    margin-right: -7px;
  }
  .keys span {
    display: grid;
    place-items: center;
    width: 30px;
    height: 30px;
    border: 1px solid var(--ink-2);
    border-radius: 50%;
    font-weight: 650;
    font-size: var(--t1);
  }
  @media (max-width: 900px) {
    .brand {
      flex: none;
      width: auto;
      margin-right: 8px;
    }
    .brand span {
      display: none;
    }
    nav a {
      justify-content: center;
      min-width: 44px;
      padding: 0 8px;
    }
  }
  @media (max-width: 700px) {
    header {
      flex-wrap: wrap;
      height: auto;
      padding: 0 14px;
    }
    .right {
      flex: 1;
      justify-content: flex-end;
      gap: var(--s3);
    }
    nav {
      order: 1;
      flex-wrap: wrap;
      width: 100%;
      height: auto;
    }
    nav a {
      flex: 1 0 auto;
      justify-content: center;
      min-width: 44px;
      min-height: 44px;
      padding: 0 6px;
    }
  }
</style>
