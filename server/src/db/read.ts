// How is read what is asked for all day? Rows as they are: a model for each costs more than the row itself.
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { Firm } from './models.ts'

/** Rows of one statement; values are bound by name, never written in. */
export const read = <Row extends object>(sql: string, replacements: Record<string, unknown>, transaction?: Transaction): Promise<Row[]> =>
  boundTo().query<Row>(sql, { replacements, type: QueryTypes.SELECT, transaction })

/** The connection that the models are bound to. */
function boundTo(): Sequelize {
  if (!Firm.sequelize) throw new Error('the models are not bound to a database yet')
  return Firm.sequelize
}

/** What the database keeps as text, where there is something. */
export const parsed = <T>(text: string): T => JSON.parse(text) as T
