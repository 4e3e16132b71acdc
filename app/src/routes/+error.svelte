<script lang="ts">
  import { page } from '$app/state';
</script>

<svelte:head><title>Not here · Even Page</title></svelte:head>

<main>
  <h1>{page.status === 404 ? 'Nothing lies here' : 'Something went wrong'}</h1>
  <p>{page.error?.message}</p>
  <a class="act" href="/">Go to the Desk</a>
</main>

<style>
  main {
    max-width: 560px;
    margin: 12vh auto;
    padding: 0 20px;
  }
  h1 {
    font: 650 26px/1.2 var(--serif);
  }
  p {
    margin: 8px 0 20px;
    color: var(--faded);
  }
</style>
