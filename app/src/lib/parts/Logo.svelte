<script lang="ts">
  let { size = 26 }: { size?: number } = $props();
</script>

<svg
  width={size}
  height={(size * 20) / 26}
  viewBox="0 0 26 20"
  fill="none"
  stroke="var(--bottle)"
  stroke-width="1.8"
  stroke-linejoin="round"
  aria-hidden="true"
>
  <path d="M2 3.5 12 2v14.5L2 18zM24 3.5 14 2v14.5L24 18z" fill="var(--leaf)" />
  <path d="M4.5 10h5M16.5 10h5" stroke-linecap="round" />
</svg>
