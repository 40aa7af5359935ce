<script setup lang="ts">
import { SYMBOLS } from './paths'
</script>

<template><path d="M 0 -30 V 30" class="line" /><path :d="SYMBOLS.filter" class="body" /><path d="M -20 0 H 20" class="pilot" /></template>
