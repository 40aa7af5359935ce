<script setup lang="ts">
import { SYMBOLS } from './paths'
</script>

<template>
  <path d="M 0 -30 V -8 M 0 10 V 30" class="line" /><circle cy="2" r="8" class="body" /><path :d="SYMBOLS.seat" class="line" />
</template>
