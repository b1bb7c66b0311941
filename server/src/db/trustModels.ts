// What does the database hold of trust: who did what, and which programs get in?
import type { AuditKind, TokenRecord } from '@yastik/core/wire'
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

/** What lets a program in; the token itself is kept as its hash. */
export class Token extends Model<InferAttributes<Token>, InferCreationAttributes<Token>> {
  declare id: string
  declare firmId: number
  /** Who made it: it does what they may. */
  declare userId: number
  declare name: string
  declare scope: TokenRecord['scope']
  declare tokenHash: string
  declare madeAt: Date
  declare endsOn: string
  declare usedAt: CreationOptional<Date | null>
  declare user?: NonAttribute<User>
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
  Token.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      userId: whole(),
      name: text(120),
      scope: text(10),
      tokenHash: { type: DataTypes.CHAR(64), allowNull: false },
      madeAt: { type: DataTypes.DATE, allowNull: false },
      endsOn: { type: DataTypes.DATEONLY, allowNull: false },
      usedAt: { type: DataTypes.DATE, allowNull: true },
    },
    { sequelize, tableName: 'tokens' },
  )
}
