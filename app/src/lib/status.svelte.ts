/** What the head line says about the work in hand: when it was saved, or why not. Empty outside a piece. */
export const status = $state<{ says: string; gravity: 'fine' | 'look' | 'must' }>({ says: '', gravity: 'fine' });
