import { number, object, string } from 'yup';

const schema = object({
  /** Where pieces, pictures and raw material are kept. */
  EVEN_PAGE_DATA: string().default('data'),
  /** Where the built programs lie that work beside the server: reading material, making pictures lighter, checking pages. */
  EVEN_PAGE_HELPERS: string().default('build/helpers'),
  /** The key secrets are sealed with, 32 bytes in base64, in place of the file beside the data folder. */
  EVEN_PAGE_KEY: string()
    .matches(/^[A-Za-z0-9+/]{43}=$/, 'EVEN_PAGE_KEY must be 32 bytes in base64: openssl rand -base64 32 makes one')
    .optional(),
  /** Hosts, with their ports, that may be fetched from though they are not public, commas between: the stand-ins. */
  EVEN_PAGE_FETCH_ALLOW: string().default(''),
  /** The transcriber's address (standins/transcriber/README.md says how it is spoken to), and its token if it wants one. */
  TRANSCRIBER_URL: string()
    .matches(/^https?:\/\//, 'TRANSCRIBER_URL must begin with http:// or https://')
    .optional(),
  TRANSCRIBER_TOKEN: string().optional(),
  /** The drafter's address (docs/drafter.md says how it is spoken to), and its key if it wants one. */
  DRAFTER_URL: string()
    .matches(/^https?:\/\//, 'DRAFTER_URL must begin with http:// or https://')
    .optional(),
  DRAFTER_TOKEN: string().optional(),
  /** The picture stock's address (docs/stock.openapi.yaml says how it is spoken to), and its token if it wants one. */
  STOCK_URL: string()
    .matches(/^https?:\/\//, 'STOCK_URL must begin with http:// or https://')
    .optional(),
  STOCK_TOKEN: string().optional(),
  /** The result list's address (standins/results/README.md says how it is spoken to), and its token if it wants one. */
  RESULTS_URL: string()
    .matches(/^https?:\/\//, 'RESULTS_URL must begin with http:// or https://')
    .optional(),
  RESULTS_TOKEN: string().optional(),
  /** How long a drafter may take over one answer, in seconds. */
  EVEN_PAGE_DRAFT_SECONDS: number().min(0.1).max(3600).default(300),
  /** How long an outlet's answer is waited for, in seconds. */
  EVEN_PAGE_OUTLET_SECONDS: number().min(0.1).max(600).default(20),
  /** How long a link that is tried may take to answer, in seconds. */
  EVEN_PAGE_LINK_SECONDS: number().min(0.1).max(120).default(10),
  /** After how many seconds without a word from the server that took a job up another takes it up. */
  EVEN_PAGE_LEASE_SECONDS: number().min(1).max(3600).default(60),
  /** A PostgreSQL server to use in place of the database in the data folder. */
  DATABASE_URL: string()
    .matches(/^postgres(?:ql)?:\/\//, 'DATABASE_URL must begin with postgres://')
    .optional(),
});

/** The settings of this server. Throws a plain sentence when one is wrong. */
export const environment = schema.validateSync(process.env, { stripUnknown: true });
