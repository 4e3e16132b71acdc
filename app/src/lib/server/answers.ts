import { error, json } from '@sveltejs/kit';
import { Complaint } from '@even-page/core/complaint';
import { ValidationError, type AnyObjectSchema, type InferType } from 'yup';

/** Reads a JSON body through a schema; answers 400 with the schema's own sentence when it does not fit. */
export async function bodyOf<S extends AnyObjectSchema>(request: Request, schema: S): Promise<InferType<S>> {
  let body: unknown;
  try {
    body = await request.json();
  } catch {
    error(400, 'The request did not arrive whole. Nothing was changed; try again.');
  }
  try {
    return await schema.validate(body, { stripUnknown: true });
  } catch (cause) {
    if (cause instanceof ValidationError) error(400, cause.errors[0] ?? 'Something in the request does not fit.');
    throw cause;
  }
}

/** Runs a route's work: what a writer should hear becomes an answer of status 422 with that one sentence. */
export async function answer(work: () => Promise<object>): Promise<Response> {
  try {
    return json(await work());
  } catch (cause) {
    if (cause instanceof Complaint) return json({ message: cause.message }, { status: 422 });
    throw cause;
  }
}
