<!-- How grave a thing is: a filled square must be fixed, an open diamond is worth a look, a tick is fine. -->
<script lang="ts">
  let { gravity }: { gravity: 'must' | 'look' | 'fine' } = $props();
  const SAYS = { must: 'Must be fixed', look: 'Worth a look', fine: 'Fine' };
</script>

<span class={gravity} role="img" aria-label={SAYS[gravity]}></span>

<style>
  span {
    display: inline-flex;
    align-items: center;
    justify-content: center;
    flex: none;
    width: 16px;
    height: 16px;
    margin-top: 3px;
    font-size: 11px;
    font-weight: 700;
  }
  .must {
    background: var(--rust);
    color: var(--leaf);
    border-radius: 2px;
  }
  .must::after {
    content: '!';
  }
  .look::after {
    content: '';
    width: 12px;
    height: 12px;
    border: 2px solid var(--brass);
    transform: rotate(45deg);
  }
  .fine::after {
    content: '';
    width: 11px;
    height: 7px;
    border: solid var(--bottle);
    border-width: 0 0 2px 2px;
    transform: rotate(-45deg) translate(1px, -1px);
  }
</style>
