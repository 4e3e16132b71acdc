import type { Person } from '$lib/server/person.ts';
import type { Mode } from '$lib/theme/mode.ts';

declare global {
  namespace App {
    interface Error {
      message: string;
    }
    interface Locals {
      mode: Mode;
      /** Who asks. */
      person: Person;
    }
  }
}
