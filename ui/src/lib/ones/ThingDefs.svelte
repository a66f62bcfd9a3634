<script lang="ts">
  // What is counted, from our own orchard: each is drawn in a box of 40, its middle at 0.
</script>

<svg class="defs" width="0" height="0" aria-hidden="true">
  <symbol id="thing-0" viewBox="-20 -20 40 40">
    <path
      class="gold"
      d="M0-10c-5-4-16-3-16 8 0 11 8 19 13 19 2 0 2-1 3-1s1 1 3 1c5 0 13-8 13-19 0-11-11-12-16-8z"
    />
    <path class="stem" d="M0-9c0-4 1-7 3-9" /><path
      class="leaf"
      d="M3-12c3-5 8-6 11-5-1 4-6 7-11 5z"
    />
  </symbol>
  <symbol id="thing-1" viewBox="-20 -20 40 40">
    <path
      class="green"
      d="M0-14c5 0 6 5 6 9 1 5 7 7 7 14 0 6-6 9-13 9s-13-3-13-9c0-7 6-9 7-14 0-4 1-9 6-9z"
    />
    <path class="stem" d="M0-13c0-3 1-5 3-6" />
  </symbol>
  <symbol id="thing-2" viewBox="-20 -20 40 40">
    <ellipse class="wing" cx="-5" cy="-9" rx="5" ry="8" transform="rotate(-24 -5 -9)" />
    <ellipse class="wing" cx="5" cy="-9" rx="5" ry="8" transform="rotate(24 5 -9)" />
    <ellipse class="gold" cx="0" cy="5" rx="15" ry="11" />
    <path class="band" d="M-6-5c-3 6-3 14 0 20M3-6c3 7 3 15 0 22" />
    <circle class="ink" cx="10" cy="2" r="1.8" />
  </symbol>
  <symbol id="thing-3" viewBox="-20 -20 40 40">
    <path class="clay" d="M-12-6h24l-4 22h-16z" /><path class="clay" d="M-15-14h30v9h-30z" />
  </symbol>
  <symbol id="thing-4" viewBox="-20 -20 40 40">
    <path
      class="plum"
      d="M-14-6c2-8 11-10 18-5 6 4 11 9 10 15-1 7-9 9-14 4-4-4-3-6-6-7-4-1-9-1-8-7z"
    /><path class="shine" d="M-8-7c2-3 6-3 9-1" />
  </symbol>
  <symbol id="thing-5" viewBox="-20 -20 40 40">
    <path class="green" d="M-15 13c-3-16 9-29 30-27 1 19-9 32-27 29z" />
    <path class="vein" d="M-16 17c6-12 13-19 23-25" />
  </symbol>
</svg>

<style>
  .defs {
    position: absolute;
  }
  path,
  ellipse {
    stroke-width: 1.6;
    stroke-linejoin: round;
    stroke-linecap: round;
  }
  .gold {
    fill: #e9a81f;
    stroke: #7a5200;
  }
  .green {
    fill: #a9bd6a;
    stroke: #4f6325;
  }
  .clay {
    fill: #cf8064;
    stroke: #7f3115;
  }
  .plum {
    fill: #a06a93;
    stroke: #5c2a4e;
  }
  .leaf {
    fill: #6f9a5a;
    stroke: #2f6b45;
    stroke-width: 1;
  }
  .stem,
  .vein,
  .band {
    fill: none;
    stroke: #4a3a1c;
    stroke-width: 2.2;
  }
  .band {
    stroke-width: 3.4;
  }
  .wing {
    fill: #fff;
    stroke: #55605a;
    stroke-width: 1.2;
  }
  .shine {
    fill: none;
    stroke: #e2cfdd;
    stroke-width: 2.4;
  }
  .ink {
    fill: #1f2a24;
  }
</style>
