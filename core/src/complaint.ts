/** Something the writer has to hear, in one clear sentence: what is wrong and what to do. Never a bug. */
export class Complaint extends Error {
  override name = 'Complaint';
}
