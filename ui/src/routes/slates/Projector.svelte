<script lang="ts">
  // The class's window: its code, and how it is opened.
  import { api } from '../../lib/api';
  import Wrong from '../../lib/parts/Wrong.svelte';
  import { classPath, saved, shared, troubleOf } from '../../lib/state.svelte';
  import type { ProjectorCode, Trouble } from '../../lib/wire.gen';

  let { code }: { code: string } = $props();

  let own = $state('');
  let trouble = $state<Trouble>();
  const now = $derived(own || code);
  const address = $derived(`${location.origin}${location.pathname}#/show/${now}`);

  async function ask(renew: boolean): Promise<void> {
    try {
      own = (await saved(api<ProjectorCode>('POST', classPath('/projector'), { renew }))).code;
      trouble = undefined;
    } catch (error) {
      trouble = troubleOf(error);
    }
  }
</script>

<h2>The class’s window</h2>
{#if now}
  <p class="code kid private">{now}</p>
  <p class="small">
    At the projector open {location.host}{location.pathname}#/show and type the code.
  </p>
  <p class="row">
    <a class="act" href={address} target="_blank" rel="noopener">Open it here</a>
    {#if shared.mayPresent}<button class="act" onclick={() => void ask(true)}>New code</button>{/if}
  </p>
{:else if shared.mayPresent}
  <p class="small">A second window for the projector follows what you do. No name is on it.</p>
  <button class="act" onclick={() => void ask(false)}>Make a code for it</button>
{/if}
{#if trouble}<Wrong {trouble} />{/if}

<style>
  h2 {
    margin-top: var(--s4);
  }
  .code {
    font-size: var(--t4);
    letter-spacing: 0.08em;
    line-height: 36px;
  }
  .row {
    display: flex;
    gap: 16px;
  }
</style>
