<script lang="ts">
  import type { Snippet } from 'svelte';

  let { slot, taken = false, onbook, children }: {
    slot: string;
    taken?: boolean;
    onbook: (slot: string) => void;
    children?: Snippet;
  } = $props();
  let open = $state(false);
  const title = $derived(`Slot ${slot}`);
</script>

<article class="card">
  <h3>{title}</h3>
  {#if taken}
    <p class="state">Taken</p>
  {:else}
    <div onclick={() => onbook(slot)}>Book this slot</div>
  {/if}
  <button type="button" aria-expanded={open} onclick={() => (open = !open)}>
    <svg aria-hidden="true" width="12" height="12"></svg>
  </button>
  {#if open}
    {#if children}{@render children()}{:else}<p>No remarks.</p>{/if}
  {/if}
</article>

<style>
  .state {
    color: #a9b7be;
    background: #ffffff;
  }
</style>
