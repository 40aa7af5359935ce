<template>
  <rect x="-44" y="-15" width="74" height="30" class="body" /><path d="M 0 -15 V 15 M 6 -15 V 15" class="line" />
  <path d="M 6 -3 H 52 V 3 H 6" class="line" />
</template>
