<!-- Our mark for "turn or lift the work": a line that rolls over an edge. -->
<template>
  <svg viewBox="0 0 22 16" width="22" height="16" aria-hidden="true" class="mark">
    <path d="M1 14.5h9l5-9" />
    <path d="M4 9a8 8 0 0 1 13-5.500" />
    <path d="M17.500 .8v3.400h-3.400" />
  </svg>
</template>

<style scoped>
.mark {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.6;
  stroke-linecap: round;
  stroke-linejoin: round;
  vertical-align: -2px;
}
</style>
