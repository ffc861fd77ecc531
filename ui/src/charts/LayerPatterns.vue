<script setup lang="ts">
/** How each layer of milk is drawn, in any chart that cuts through it: url(#p-fat), protein, lactose, minerals, sugar, water, steam. */
</script>

<template>
  <pattern id="p-fat" width="8" height="8" patternUnits="userSpaceOnUse">
    <rect width="8" height="8" fill="#f2d68e" />
  </pattern>
  <pattern id="p-protein" width="6" height="5" patternUnits="userSpaceOnUse">
    <rect width="6" height="5" fill="#fffef8" />
    <path d="M0 2.500H6" stroke="#1b2444" stroke-width="1.100" />
  </pattern>
  <pattern id="p-lactose" width="6" height="6" patternUnits="userSpaceOnUse">
    <rect width="6" height="6" fill="#eadfc6" />
    <circle cx="1.500" cy="1.500" r="1" fill="#1b2444" />
    <circle cx="4.500" cy="4.500" r="1" fill="#1b2444" />
  </pattern>
  <pattern id="p-minerals" width="6" height="6" patternUnits="userSpaceOnUse">
    <rect width="6" height="6" fill="#535b7a" />
  </pattern>
  <pattern id="p-sugar" width="9" height="9" patternUnits="userSpaceOnUse">
    <rect width="9" height="9" fill="#fff" />
    <path d="M4.500 1.500 7.500 4.500 4.500 7.500 1.500 4.500Z" fill="none" stroke="#1b2444" />
  </pattern>
  <pattern id="p-water" width="26" height="11" patternUnits="userSpaceOnUse">
    <rect width="26" height="11" fill="#d5e0e4" />
    <path d="M4 6.500q3-2.500 6 0t6 0" fill="none" stroke="#7e93a3" />
  </pattern>
  <pattern id="p-steam" width="7" height="7" patternUnits="userSpaceOnUse">
    <circle cx="2" cy="2" r=".9" fill="#7e93a3" />
    <circle cx="5.500" cy="5.500" r=".9" fill="#7e93a3" />
  </pattern>
</template>
