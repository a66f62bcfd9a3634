<script lang="ts">
  // A printed page as the server has drawn it. It is read as a picture: nothing in it acts.
  let { svg, label }: { svg: string; label: string } = $props();

  function drawn(node: HTMLElement, source: string): { update: (s: string) => void } {
    const draw = (text: string): void => {
      const made = new DOMParser().parseFromString(text, 'image/svg+xml').documentElement;
      if (made.nodeName === 'svg') node.replaceChildren(document.importNode(made, true));
    };
    draw(source);
    return { update: draw };
  }
</script>

<div class="printed" data-print role="img" aria-label={label} use:drawn={svg}></div>

<style>
  .printed {
    height: 100%;
    border: 1px solid var(--edge);
    background: var(--card);
    line-height: 0;
    overflow: hidden;
  }
  .printed :global(svg) {
    width: 100%;
    height: 100%;
    display: block;
  }
</style>
