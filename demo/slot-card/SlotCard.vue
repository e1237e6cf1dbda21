<script setup lang="ts">
import { computed, ref } from 'vue';

const props = defineProps<{ slot: string; taken?: boolean }>();
const emit = defineEmits<{ book: [slot: string] }>();
const open = ref(false);
const title = computed(() => `Slot ${props.slot}`);
</script>

<template>
  <article class="card">
    <h3>{{ title }}</h3>
    <p v-if="taken" class="state">Taken</p>
    <div v-else @click="emit('book', slot)">Book this slot</div>
    <button type="button" :aria-expanded="open" @click="open = !open">
      <svg aria-hidden="true" width="12" height="12" />
    </button>
    <slot v-if="open">No remarks.</slot>
  </article>
</template>

<style scoped>
.state {
  color: #a9b7be;
  background: #ffffff;
}
</style>
