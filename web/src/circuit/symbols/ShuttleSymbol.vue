<template>
  <rect x="-30" y="-15" width="60" height="30" class="body" /><circle r="8" class="line" />
  <path d="M -22 -9 L -12 0 L -22 9 M 22 -9 L 12 0 L 22 9" class="line" />
</template>
