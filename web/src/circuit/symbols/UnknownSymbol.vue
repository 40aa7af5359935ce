<template><rect x="-24" y="-21" width="48" height="42" class="body" /><text y="7" class="letter">?</text></template>
