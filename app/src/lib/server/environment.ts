import { object, string } from 'yup';

const schema = object({
  /** Where pieces, pictures and raw material are kept. */
  EVEN_PAGE_DATA: string().default('data'),
  /** The built program that reads material on a thread of its own. */
  EVEN_PAGE_READER: string().default('build/reader.js'),
  /** Hosts, with their ports, that may be fetched from though they are not public, commas between: the stand-ins. */
  EVEN_PAGE_FETCH_ALLOW: string().default(''),
  /** The transcriber's address (standins/transcriber/README.md says how it is spoken to), and its token if it wants one. */
  TRANSCRIBER_URL: string()
    .matches(/^https?:\/\//, 'TRANSCRIBER_URL must begin with http:// or https://')
    .optional(),
  TRANSCRIBER_TOKEN: string().optional(),
  /** A PostgreSQL server to use in place of the database in the data folder. */
  DATABASE_URL: string()
    .matches(/^postgres(?:ql)?:\/\//, 'DATABASE_URL must begin with postgres://')
    .optional(),
});

/** The settings of this server. Throws a plain sentence when one is wrong. */
export const environment = schema.validateSync(process.env, { stripUnknown: true });
