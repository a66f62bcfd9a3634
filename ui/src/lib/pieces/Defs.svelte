<script lang="ts">
  // Every piece once, in units; the mat, the shelf and the lists draw them by
  // use. Beads stay gold and their binding takes the hue of the place; blocks
  // take the whole hue.
  import { HANDS, sign } from './drawn';
  import { CUBE, PIECES } from './units';

  const dot = (x: number, y: number, r: number): string =>
    `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;
  const grid = (columns: number, rows: number, r: number, shift = 0): string => {
    let d = '';
    for (let y = 0; y < rows; y++)
      for (let x = 0; x < columns; x++) d += dot(x + 0.5 + shift, y + 0.5 + shift, r);
    return d;
  };
  const rules = (): string => {
    let d = '';
    for (let i = 1; i < 10; i++) if (i !== 5) d += `M${i} 0V10M0 ${i}H10`;
    return d;
  };
  const beads = grid(10, 10, 0.455);
  const shine = grid(10, 10, 0.13, -0.13);
  const lines = rules();

  const w = CUBE.width / 2;
  const e = CUBE.edge;
  const k = Math.sqrt(2 / 3);
  const a = Math.cos(Math.PI / 6) * k;
  const b = 0.5 * k;
  const top = `matrix(${a} ${b} ${-a} ${b} ${w} 0)`;
  const left = `matrix(${a} ${b} 0 ${k} 0 ${e / 2})`;
  const right = `matrix(${a} ${-b} 0 ${k} ${w} ${e})`;
  const outline = `M${w} 0L${2 * w} ${e / 2}V${1.5 * e}L${w} ${2 * e}L0 ${1.5 * e}V${e / 2}Z`;
  const edges = `M0 ${e / 2}L${w} ${e}L${2 * w} ${e / 2}M${w} ${e}V${2 * e}`;
</script>

{#snippet beadFace(id: string, back: string, gold: string, glint: string)}
  <g {id}>
    <rect width="10" height="10" fill={back} />
    <path d={beads} fill={gold} />
    {#if glint}<path d={shine} fill={glint} />{/if}
    <path d="M5 0V10M0 5H10" stroke={back} stroke-width=".22" />
  </g>
{/snippet}

{#snippet blockFace(id: string, back: string, thin: string, five: string)}
  <g {id}>
    <rect width="10" height="10" fill={back} />
    <path d={lines} stroke={thin} stroke-width=".09" />
    <path d="M5 0V10M0 5H10" stroke={five} stroke-width=".22" />
  </g>
{/snippet}

{#snippet cube(id: string, face: string, edge: string)}
  <g {id}>
    <use href="#{face}-t" transform={top} />
    <use href="#{face}-l" transform={left} />
    <use href="#{face}-r" transform={right} />
    <path d={outline} fill="none" stroke={edge} stroke-width=".3" stroke-linejoin="round" />
    <path d={edges} fill="none" stroke={edge} stroke-width=".26" stroke-linejoin="round" />
  </g>
{/snippet}

<svg width="0" height="0" class="defs" aria-hidden="true">
  <defs>
    <g id="beads-ones">
      <circle cx=".5" cy=".5" r=".46" fill="#f0b02a" stroke="var(--ones-ink)" stroke-width=".11" />
      <circle cx=".36" cy=".36" r=".13" fill="#fce3a0" />
    </g>
    <g id="beads-tens">
      <rect x="-.13" y="-.5" width="1.26" height="11" rx=".63" fill="var(--tens)" />
      <rect width="1" height="10" rx=".4" fill="var(--tens-ink)" />
      <path d={grid(1, 10, 0.445)} fill="#f0b02a" />
      <path d={grid(1, 10, 0.13, -0.13)} fill="#fce3a0" />
      <path d="M-.13 5H1.13" stroke="var(--tens)" stroke-width=".22" />
    </g>
    {@render beadFace('beads-face', 'var(--hundreds-ink)', '#f0b02a', '#fce3a0')}
    <g id="beads-hundreds">
      <rect x="-.42" y="-.42" width="10.84" height="10.84" rx=".7" fill="var(--sheet)" />
      <rect x="-.28" y="-.28" width="10.56" height="10.56" rx=".6" fill="var(--hundreds)" />
      <use href="#beads-face" />
    </g>
    {@render beadFace('beads-cube-t', 'var(--thousands-ink)', '#f6be45', '#fde9b4')}
    {@render beadFace('beads-cube-l', 'var(--thousands-ink)', '#e5a021', '')}
    {@render beadFace(
      'beads-cube-r',
      'color-mix(in srgb, var(--thousands-ink), black 16%)',
      '#c98414',
      '',
    )}
    {@render cube('beads-thousands', 'beads-cube', 'var(--thousands-ink)')}

    <g id="blocks-ones">
      <rect
        x=".04"
        y=".04"
        width=".92"
        height=".92"
        rx=".1"
        fill="var(--ones)"
        stroke="var(--ones-ink)"
        stroke-width=".1"
      />
      <path d="M.06 .86H.94" stroke="var(--ones-ink)" stroke-width=".16" opacity=".55" />
    </g>
    <g id="blocks-tens">
      <rect width="1" height="10" rx=".12" fill="var(--tens)" />
      <path
        d="M0 1H1M0 2H1M0 3H1M0 4H1M0 6H1M0 7H1M0 8H1M0 9H1"
        stroke="color-mix(in srgb, var(--tens), white 70%)"
        stroke-width=".1"
      />
      <path d="M0 5H1" stroke="#fff" stroke-width=".22" />
      <rect
        width="1"
        height="10"
        rx=".12"
        fill="none"
        stroke="var(--tens-ink)"
        stroke-width=".14"
      />
    </g>
    {@render blockFace(
      'blocks-face',
      'var(--hundreds)',
      'color-mix(in srgb, var(--hundreds), white 48%)',
      'color-mix(in srgb, var(--hundreds), white 84%)',
    )}
    <g id="blocks-hundreds">
      <rect x="-.24" y="-.24" width="10.48" height="10.48" rx=".3" fill="var(--sheet)" />
      <use href="#blocks-face" />
      <rect
        width="10"
        height="10"
        rx=".12"
        fill="none"
        stroke="var(--hundreds-ink)"
        stroke-width=".2"
      />
    </g>
    {@render blockFace(
      'blocks-cube-t',
      'color-mix(in srgb, var(--thousands), white 18%)',
      'color-mix(in srgb, var(--thousands), white 70%)',
      'color-mix(in srgb, var(--thousands), white 92%)',
    )}
    {@render blockFace(
      'blocks-cube-l',
      'var(--thousands)',
      'color-mix(in srgb, var(--thousands), white 46%)',
      'color-mix(in srgb, var(--thousands), white 80%)',
    )}
    {@render blockFace(
      'blocks-cube-r',
      'color-mix(in srgb, var(--thousands), black 20%)',
      'color-mix(in srgb, var(--thousands), white 24%)',
      'color-mix(in srgb, var(--thousands), white 62%)',
    )}
    {@render cube('blocks-thousands', 'blocks-cube', 'var(--thousands-ink)')}

    {#each PIECES as place (place)}
      {#each { length: HANDS }, k (k)}
        {@const drawn = sign(place, k)}
        <g id="drawings-{place}-{k}">
          {#if drawn.area}
            <path d={drawn.area} fill={place === 'ones' ? 'var(--ones-ink)' : 'var(--sheet)'} />
          {/if}
          {#if drawn.strokes}
            <path
              d={drawn.strokes}
              fill="none"
              stroke="var(--{place}-ink)"
              stroke-width=".34"
              stroke-linecap="round"
            />
          {/if}
        </g>
      {/each}
    {/each}

    <g id="mark-ones"><circle cx="8" cy="8" r="4.2" fill="var(--ones-ink)" /></g>
    <g id="mark-tens">
      <path d="M8 1.5V14.5" stroke="var(--tens-ink)" stroke-width="3.4" stroke-linecap="round" />
    </g>
    <g id="mark-hundreds">
      <rect x="2" y="2" width="12" height="12" rx="1" fill="var(--hundreds-ink)" />
    </g>
    <g id="mark-thousands">
      <path d="M8 .8L14.4 4.4V11.6L8 15.2L1.6 11.6V4.4Z" fill="var(--thousands-ink)" />
      <path
        d="M1.6 4.4L8 8L14.4 4.4M8 8V15.2"
        stroke="var(--paper)"
        stroke-width="1.3"
        fill="none"
      />
    </g>
    <g id="leaf">
      <path d="M0 0C3 -7 12 -9 20 -5C15 2 7 4 0 0Z" fill="var(--leaf)" />
      <path d="M1 -.2C7 -2 12 -3.6 16 -4.4" stroke="var(--paper)" stroke-width=".9" fill="none" />
    </g>
  </defs>
</svg>

<style>
  .defs {
    position: absolute;
  }
</style>
