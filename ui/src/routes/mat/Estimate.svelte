<script lang="ts">
  // Estimates, said before anything is counted and locked when they are said.
  import { onMount } from 'svelte';
  import { api } from '../../lib/api';
  import Plain from '../../lib/parts/Plain.svelte';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { classPath, guarded, saved, shared, troubleOf } from '../../lib/state.svelte';
  import type { Record as Page, Step, Trouble } from '../../lib/wire.gen';

  let {
    id,
    nth,
    step,
    box = false,
  }: {
    id: string;
    nth: number;
    step: Step;
    box?: boolean; // it is typed into the box on the mat
  } = $props();

  let page = $state.raw<Page>();
  let asked = $state('');
  let typed = $state('');
  let trouble = $state<Trouble>();
  let field = $state<HTMLInputElement>();

  const said = $derived(page?.tasks[nth]?.estimates ?? []);
  const value = (child: string): number | undefined => said.find((e) => e.learner === child)?.value;

  /** In the box the first child is asked that has not said one yet. */
  const first = $derived(page?.children.find((c) => value(c.id) === undefined)?.id ?? '');
  const saying = $derived(asked || (box ? first : ''));
  /** A digit is typed into the box, wherever the focus is. */
  function begin(event: KeyboardEvent): void {
    if (!box || !field || event.ctrlKey || event.metaKey || event.altKey) return;
    if (/^[0-9]$/.test(event.key) && document.activeElement === document.body) field.focus();
  }

  function ask(child: string): void {
    asked = asked === child ? '' : child;
    typed = '';
    trouble = undefined;
    setTimeout(() => field?.focus());
  }
  async function lock(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    if (!/^[0-9]{1,7}$/.test(typed.trim())) {
      trouble = {
        type: 'about:blank',
        title: 'An estimate is a number',
        status: 0,
        remedy: 'Write it in digits.',
      };
      return;
    }
    const body = { learner: saying, nth, value: Number(typed) };
    try {
      page = await saved(api<Page>('POST', classPath(`/lessons/${id}/estimates`), body));
      shared.said = `${typed} is locked`;
      asked = '';
      typed = '';
      trouble = undefined;
      if (box && !first) field?.blur();
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

<svelte:window onkeydown={begin} />

{#if page && (step.before || said.length)}
  <section aria-label="Estimates" class:box>
    {#if !box}<h2>{step.before ? 'Estimate first' : 'Estimates'}</h2>{/if}
    <ul>
      {#each page.children as c (c.id)}
        {@const v = value(c.id)}
        <li>
          {#if v !== undefined}
            <span class="locked">
              <svg width="12" height="14" viewBox="0 0 12 14" aria-hidden="true">
                <path d="M3 6V4a3 3 0 0 1 6 0v2" /><rect
                  x="1"
                  y="6"
                  width="10"
                  height="7"
                  rx="1.5"
                />
              </svg>
              <span class="private">{c.name}</span> <b class="kid">{v}</b><span class="unseen"
                >, locked</span
              >
            </span>
          {:else if step.before}
            <button class="act" aria-expanded={saying === c.id} onclick={() => ask(c.id)}
              ><span class="private">{c.name}</span> …</button
            >
          {/if}
        </li>
      {/each}
    </ul>
    {#if saying}
      <form onsubmit={lock} novalidate>
        <label for="estimate">{page.children.find((c) => c.id === saying)?.name} says about</label>
        <span>
          <input
            id="estimate"
            class="kid"
            inputmode="numeric"
            autocomplete="off"
            maxlength={shared.desk!.limits.estimate}
            bind:this={field}
            bind:value={typed}
          />
          <Plain type="submit">Lock it</Plain>
        </span>
      </form>
    {/if}
    {#if trouble}<Wrong {trouble} />{/if}
  </section>
{/if}

<style>
  section {
    margin-top: 10px;
    padding-top: 8px;
    border-top: 1px solid var(--line);
  }
  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 0 14px;
  }
  .locked {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    min-height: 44px;
  }
  .locked svg {
    fill: none;
    stroke: var(--ink-2);
    stroke-width: 1.5;
  }
  .locked b {
    font-size: 18px;
  }
  label {
    display: block;
    font-size: var(--t1);
  }
  form span {
    display: flex;
    gap: 8px;
  }
  input {
    width: 110px;
    min-height: 44px;
    padding: 0 10px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    font-size: 22px;
  }
  .box {
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 12px;
    border: 0;
    font-size: var(--t2);
  }
  .box form {
    order: -1;
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 8px;
  }
  .box label {
    font-size: var(--t4);
    color: var(--ink-2);
  }
  .box form span {
    align-items: center;
  }
  .box input {
    width: 170px;
    height: 76px;
    border: 3px dashed var(--leaf);
    font-size: var(--t5);
    text-align: center;
  }
</style>
