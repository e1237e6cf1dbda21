<template>
  <section class="tides">
    <h2>Tides at the north quay</h2>
    <p class="fine">High water at ten past six.</p>
  </section>
</template>

<style lang="scss" scoped>
@use "tones";

.tides {
  background: tones.$paper;
  color: tones.$ink;

  .fine {
    color: tones.$fog;
  }
}
</style>
