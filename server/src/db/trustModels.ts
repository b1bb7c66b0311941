// What does the database hold of trust: who did what, what came in at once and can be taken back, and which programs get in?
import type { AuditKind, ImportRecord, TokenRecord } from '@yastik/core/wire'
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelAttributes,
  type NonAttribute,
  type Sequelize,
} from 'sequelize'
import type { User } from './models.ts'
import { json, moment, text, uuid, whole } from './columns.ts'

/** Something that was done and matters to trust. */
export class Audit extends Model<InferAttributes<Audit>, InferCreationAttributes<Audit>> {
  declare id: CreationOptional<number>
  declare firmId: number
  declare at: Date
  declare byName: string
  declare address: string
  declare what: AuditKind
  declare about: string
  declare before: Record<string, unknown> | null
  declare after: Record<string, unknown> | null
}

/** What came in at once, as far as it takes to take it back. */
export class Import extends Model<InferAttributes<Import>, InferCreationAttributes<Import>> {
  declare id: string
  declare firmId: number
  declare kind: ImportRecord['kind']
  declare madeAt: Date
  declare madeBy: string
  declare counts: ImportRecord['counts']
  /** Of visits: what each was before. Sites and units know theirs themselves. */
  declare beforeIt: CreationOptional<readonly VisitBefore[] | null>
  declare takenBackAt: CreationOptional<Date | null>
}
/** A visit that an import planned, moved or cancelled. */
export interface VisitBefore {
  readonly jobId: string
  /** That the import left it at: another one is somebody's change since. */
  readonly revision: number
  /** Null where the import planned it. */
  readonly was: { readonly onDate: string; readonly startMin: number | null; readonly isCancelled: boolean } | null
}

/** What lets a program in; the token itself is kept as its hash. */
export class Token extends Model<InferAttributes<Token>, InferCreationAttributes<Token>> {
  declare id: string
  declare firmId: number
  /** Who made it: it does what they may. */
  declare userId: number
  declare name: string
  declare scope: TokenRecord['scope']
  /** What it reaches, with commas between. */
  declare areas: string
  declare tokenHash: string
  declare madeAt: Date
  declare endsOn: string
  declare usedAt: CreationOptional<Date | null>
  declare user?: NonAttribute<User>
}

/** What lets a program fetch visits as a calendar; the secret of its address is kept as its hash. */
export class Calendar extends Model<InferAttributes<Calendar>, InferCreationAttributes<Calendar>> {
  declare id: string
  declare firmId: number
  /** Who made it. */
  declare userId: number
  /** Whose visits; null for all of the firm. */
  declare personId: number | null
  declare showsContact: boolean
  declare secretHash: string
  declare madeAt: Date
  declare usedAt: CreationOptional<Date | null>
  declare user?: NonAttribute<User>
  declare person?: NonAttribute<User | null>
}

const orNothing = <M extends Model>(field: string, column: string) =>
  ({ ...(json<M>(field) as object), allowNull: true, field: column }) as ModelAttributes<M>[string]

export function defineTrustModels(sequelize: Sequelize): void {
  Audit.init(
    {
      id: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
      firmId: whole(),
      at: moment(),
      byName: text(120),
      address: text(64),
      what: text(30),
      about: text(200),
      before: orNothing<Audit>('before', 'before_json'),
      after: orNothing<Audit>('after', 'after_json'),
    },
    { sequelize, tableName: 'audit' },
  )
  Import.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      kind: text(10),
      madeAt: moment(),
      madeBy: text(120),
      counts: json<Import>('counts'),
      beforeIt: orNothing<Import>('beforeIt', 'before_it'),
      takenBackAt: { type: DataTypes.DATE(3), allowNull: true },
    },
    { sequelize, tableName: 'imports' },
  )
  Token.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      userId: whole(),
      name: text(120),
      scope: text(10),
      areas: text(120),
      tokenHash: { type: DataTypes.CHAR(64), allowNull: false },
      madeAt: { type: DataTypes.DATE, allowNull: false },
      endsOn: { type: DataTypes.DATEONLY, allowNull: false },
      usedAt: { type: DataTypes.DATE, allowNull: true },
    },
    { sequelize, tableName: 'tokens' },
  )
  Calendar.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      userId: whole(),
      personId: { type: DataTypes.INTEGER, allowNull: true },
      showsContact: { type: DataTypes.BOOLEAN, allowNull: false },
      secretHash: { type: DataTypes.CHAR(64), allowNull: false },
      madeAt: moment(),
      usedAt: { type: DataTypes.DATE(3), allowNull: true },
    },
    { sequelize, tableName: 'calendars' },
  )
}
