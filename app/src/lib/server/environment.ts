import { object, string } from 'yup';

const schema = object({
  /** Where pieces, pictures and raw material are kept. */
  EVEN_PAGE_DATA: string().default('data'),
  /** A PostgreSQL server to use in place of the database in the data folder. */
  DATABASE_URL: string()
    .matches(/^postgres(?:ql)?:\/\//, 'DATABASE_URL must begin with postgres://')
    .optional(),
});

/** The settings of this server. Throws a plain sentence when one is wrong. */
export const environment = schema.validateSync(process.env, { stripUnknown: true });
