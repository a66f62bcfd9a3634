<script lang="ts">
  // The pieces on the mat, each by its name from step to step, so that it travels.
  import { tick } from 'svelte';
  import { MediaQuery } from 'svelte/reactivity';
  import { devicePixelRatio } from 'svelte/reactivity/window';
  import { sprites, type Sprites } from '../../lib/pieces/sprites';
  import type { Look, Shown } from '../../lib/pieces/stage';
  import { stand, type Stand } from '../../lib/pieces/stand';
  import type { Placed } from '../../lib/pieces/scene';
  import { shared } from '../../lib/state.svelte';

  let { pieces, look }: { pieces: Placed[]; look: Omit<Look, 'density' | 'inks'> } = $props();

  const density = $derived(devicePixelRatio.current ?? 1);
  const forced = new MediaQuery('(forced-colors: active)');
  const scale = $derived(look.unit * density);

  let root = $state<HTMLElement>();
  let stage = $state.raw<Stand>();
  let asked = 0;
  let shown = $state.raw<Shown>(); // undefined while it is not what was asked for
  $effect(() => {
    const mine = stand(root!, (is) => is.nth === asked && (shown = is));
    stage = mine;
    return mine.end;
  });

  /** Painted anew for another size, another material, other colours. */
  let painted = $state.raw<{ for: string; sprites: Sprites; inks: Look['inks'] }>();
  const wanted = $derived(`${look.material} ${scale}`);
  $effect(() => {
    void [forced.current, shared.palette];
    const [{ material }, size, key] = [look, scale, wanted];
    let off = false;
    const paint = async (): Promise<void> => {
      await tick(); // the colours are set by then
      const of = await sprites(material, size);
      if (off) return;
      const { stroke, fill } = getComputedStyle(root!);
      painted = { for: key, sprites: of, inks: { taken: stroke, given: fill } };
    };
    void paint();
    return () => void (off = true);
  });

  let sent: Sprites | undefined;
  $effect(() => {
    const nth = ++asked;
    shown = undefined;
    if (!stage || painted?.for !== wanted) return;
    const { sprites, inks } = painted;
    const fresh = sprites === sent ? undefined : sprites;
    stage.show({ nth, pieces, look: { ...look, density, inks }, sprites: fresh });
    sent = sprites;
  });
</script>

<!-- What is shown is told for those who look into the page. -->
<div
  bind:this={root}
  class="pieces"
  data-pieces
  aria-hidden="true"
  data-lying={shown?.lying}
  data-taken={shown?.taken}
  data-given={shown?.given}
  data-under={shown?.under}
  data-longest={shown?.longest}
></div>

<style>
  .pieces {
    position: absolute;
    inset: 0;
    pointer-events: none;
    stroke: var(--clay); /* crosses out what is taken */
    fill: var(--leaf); /* crosses out what is given for ten */
  }
  .pieces :global(canvas) {
    width: 100%;
    height: 100%;
  }
</style>
