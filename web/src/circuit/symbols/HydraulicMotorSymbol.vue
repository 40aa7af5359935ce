<template>
  <path d="M 0 -30 V 30" class="line" /><circle r="25" class="body" />
  <path d="M 0 -12 l -8 -12 h 16 z M 0 12 l -8 12 h 16 z" class="solid" />
</template>
