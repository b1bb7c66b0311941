// How is the database read, and how is it changed? Through what is handed on: by itself, or within the transaction of a doing.
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { repeated } from './retry.ts'

export class Db {
  readonly sequelize: Sequelize
  /** Of the doing that one is within. */
  readonly transaction: Transaction | undefined

  constructor(sequelize: Sequelize, transaction?: Transaction) {
    this.sequelize = sequelize
    this.transaction = transaction
  }

  /** Rows of one statement, as they are: a model for each costs more than the row itself. Values are bound by name, never written in. */
  read<Row extends object>(sql: string, values: Record<string, unknown>): Promise<Row[]> {
    return this.sequelize.query<Row>(sql, { replacements: values, type: QueryTypes.SELECT, transaction: this.transaction })
  }

  /** The same where columns are named `one.other`: each row an object of objects. */
  readNested<Row extends object>(sql: string, values: Record<string, unknown>): Promise<Row[]> {
    return this.sequelize.query<Row>(sql, { replacements: values, type: QueryTypes.SELECT, transaction: this.transaction, nest: true })
  }

  /** A statement that changes something. */
  async write(sql: string, values: Record<string, unknown>): Promise<void> {
    await this.sequelize.query(sql, { replacements: values, transaction: this.transaction })
  }

  /**
   * Does all of something or nothing of it, in one transaction; within a doing it is part of that one. Where others were in the way it is done
   * once more from the start, so that it must change nothing besides the database.
   * @throws Fault `busy` where others stay in the way
   */
  change<Result>(doing: (db: Doing) => Promise<Result>): Promise<Result> {
    if (isDoing(this)) return doing(this)
    return repeated(async () => {
      const transaction = await this.sequelize.transaction()
      const db = new Db(this.sequelize, transaction)
      if (!isDoing(db)) throw new Error('a transaction was asked for')
      const result = await doing(db).catch(async (error: unknown) => {
        // Where the connection is gone, the database has taken everything back by itself.
        await transaction.rollback().catch(() => undefined)
        throw error
      })
      return { commit: () => transaction.commit(), result }
    })
  }
}

/** Within a transaction: what changes something asks for it. */
export type Doing = Db & { readonly transaction: Transaction }
const isDoing = (db: Db): db is Doing => db.transaction !== undefined

/** What the database keeps as text, where there is something. */
export const parsed = <T>(text: string): T => JSON.parse(text) as T
