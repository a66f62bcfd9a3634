<script lang="ts">
  // The colours of the class's own set: one for each place, one for each bar of the
  // bead stair. What is too faint for text is darkened there, and that is said.
  import Plain from '../../lib/parts/Plain.svelte';
  import Piece from '../../lib/pieces/Piece.svelte';
  import StairBar from '../../lib/pieces/StairBar.svelte';
  import type { Colours, Palette } from '../../lib/wire.gen';

  let {
    palette,
    colours,
    may,
    onset,
  }: { palette: Palette; colours: Colours; may: boolean; onset: (colours: Colours) => void } =
    $props();

  const UNIT: Record<string, number> = { ones: 18, tens: 5, hundreds: 5, thousands: 3.4 };
  const said = $derived(palette.places.filter((s) => s.says));
  const changed = $derived(JSON.stringify(colours) !== JSON.stringify(palette.ours));

  const put = (kind: keyof Colours, i: number, colour: string): void =>
    onset({ ...colours, [kind]: colours[kind]!.map((c, k) => (k === i ? colour : c)) });
</script>

<fieldset disabled={!may}>
  <legend>Colours of your own set</legend>
  <div class="places">
    {#each palette.places as s, i (s.id)}
      <label style:background={s.tint}>
        <Piece material="blocks" place={s.id} unit={UNIT[s.id] ?? 4} />
        <span class="kid" style:color={s.ink}>{s.name}</span>
        <input
          type="color"
          value={s.fill}
          aria-label="Colour of the {s.name}"
          onchange={(e) => put('places', i, e.currentTarget.value)}
        />
      </label>
    {/each}
  </div>
  {#each said as s (s.id)}
    <p class="small"><b style:color={s.ink}>{s.name}</b> {s.says}</p>
  {/each}
  {#if palette.alike}<p class="small">{palette.alike}</p>{/if}
  <h2>Bead stair</h2>
  <div class="stair">
    {#each palette.stair as s, i (s.id)}
      <label>
        <StairBar n={i + 1} upright />
        <input
          type="color"
          value={s.fill}
          aria-label="Colour of the {s.name}"
          onchange={(e) => put('stair', i, e.currentTarget.value)}
        />
      </label>
    {/each}
  </div>
  <h2>Bead rack</h2>
  <div class="stair">
    {#each palette.rack as s, i (s.id)}
      <label>
        <svg width="40" height="40" viewBox="0 0 40 40" aria-hidden="true">
          <circle cx="20" cy="20" r="16" fill={s.fill} stroke="var(--ink)" stroke-width="1.6" />
          {#if i}<circle cx="20" cy="20" r="3.4" fill="var(--ink)" />{/if}
        </svg>
        <input
          type="color"
          value={s.fill}
          aria-label="Colour of the {s.name}"
          onchange={(e) => put('rack', i, e.currentTarget.value)}
        />
      </label>
    {/each}
  </div>
  {#if may && changed}
    <p class="ours">
      <Plain onclick={() => onset(palette.ours)}>Back to the colours of Vine Swap</Plain>
    </p>
  {/if}
</fieldset>

<style>
  fieldset {
    border: 0;
    margin-bottom: var(--s4);
  }
  legend {
    font-size: var(--t3);
    font-weight: 650;
    margin-bottom: 6px;
  }
  h2 {
    margin-top: var(--s3);
  }
  .places {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 12px;
    margin-bottom: 6px;
  }
  label {
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: flex-end;
    gap: 6px;
  }
  .places label {
    min-height: 150px;
    padding: 10px;
    border-radius: var(--r2);
    font-size: var(--t3);
  }
  .stair {
    display: grid;
    grid-template-columns: repeat(9, minmax(44px, 60px));
    gap: 8px;
  }
  input {
    width: 56px;
    height: 44px;
    padding: 3px;
    border: 1.5px solid var(--edge);
    border-radius: var(--r2);
    background: var(--sheet);
    cursor: pointer;
  }
  .stair input {
    width: 44px;
  }
  .ours {
    margin-top: var(--s3);
  }
</style>
