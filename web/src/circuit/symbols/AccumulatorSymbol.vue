<template>
  <rect x="-15" y="-30" width="30" height="60" rx="15" class="body" /><path d="M -15 0 H 15" class="line" />
  <path d="M 0 -6 l -6 -10 h 12 z" class="line" />
</template>
