// How is the database read, and how is it changed? Through what is handed on: by itself, or within the transaction of a doing.
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize'
import { mostShared } from './connection.ts'
import { repeated } from './retry.ts'
import { sharing, type Sharing } from './sharing.ts'

type Values = Readonly<Record<string, unknown>>

export class Db {
  readonly sequelize: Sequelize
  /** Of the doing that one is within. */
  readonly transaction: Transaction | undefined
  /** What is read within a doing is its own. */
  readonly #shared: Sharing | undefined

  constructor(sequelize: Sequelize, transaction?: Transaction) {
    this.sequelize = sequelize
    this.transaction = transaction
    this.#shared = transaction ? undefined : sharing(mostShared)
  }

  /**
   * Rows of one statement that changes nothing, as they are: a model for each costs more than the row itself. Values are bound by name, never
   * written in. Outside a doing others may be given the same rows, so that nobody changes them.
   */
  read<Row extends object>(sql: string, values: Values): Promise<Row[]> {
    return this.#rows<Row>(sql, values, false)
  }

  /** The same where columns are named `one.other`: each row an object of objects. */
  readNested<Row extends object>(sql: string, values: Values): Promise<Row[]> {
    return this.#rows<Row>(sql, values, true)
  }

  async #rows<Row extends object>(sql: string, values: Values, nest: boolean): Promise<Row[]> {
    const ask = () => this.#ask<Row>(sql, values, nest)
    if (!this.#shared) return ask()
    const rows = await this.#shared(JSON.stringify([sql, values]), async () => (await ask()).map((row) => Object.freeze(row)))
    return [...rows]
  }

  #ask<Row extends object>(sql: string, values: Values, nest: boolean): Promise<Row[]> {
    return this.sequelize.query<Row>(sql, { replacements: { ...values }, type: QueryTypes.SELECT, transaction: this.transaction, nest })
  }

  /** Rows that a statement tells of what it changes. */
  changing<Row extends object>(sql: string, values: Values): Promise<Row[]> {
    return this.#ask<Row>(sql, values, false)
  }

  /** A statement that changes something. */
  async write(sql: string, values: Values): Promise<void> {
    await this.sequelize.query(sql, { replacements: { ...values }, transaction: this.transaction })
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
