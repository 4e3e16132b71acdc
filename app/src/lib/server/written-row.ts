/** A row as it stands after a write, with the name of its table. */
export type WrittenRow = [table: string, row: Record<string, unknown>];
