/** What the model says of each word: the chances of a sentence end, a question, a comma after it, and of a name. */
export type Marks = { end: Float32Array; question: Float32Array; comma: Float32Array; name: Float32Array };
