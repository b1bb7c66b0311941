// What does the database hold of firms and people? And the door to all models: they are bound here, with what belongs to what.
import type { HouseRules } from '@yastik/core/method'
import type { Equipment, Product } from '@yastik/core/products'
import type { Measures } from '@yastik/core/quantities'
import type { FirmRates } from '@yastik/core/upkeep'
import type { CrewRecord, Retention } from '@yastik/core/wire'
import type { Language, Wording } from '@yastik/core/words'
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelAttributes,
  type Sequelize,
} from 'sequelize'
import { json, text, uuid, whole } from './columns.ts'
import { defineOfficeModels } from './officeModels.ts'
import { defineSiteModels, DueDay, Site, Unit } from './siteModels.ts'
import { Calendar, defineTrustModels, Token } from './trustModels.ts'
import { defineWorkModels, Job, JobUnit, Photo } from './workModels.ts'

export { DueDay, Site, Unit } from './siteModels.ts'
export { Job, JobUnit, Photo, StoredEvent, UnitRun } from './workModels.ts'
export { Message, Quote, Reply, StockLot, StockMove, Stop } from './officeModels.ts'
export { Audit, Calendar, Import, Token } from './trustModels.ts'

export class Firm extends Model<InferAttributes<Firm>, InferCreationAttributes<Firm>> {
  declare id: CreationOptional<number>
  declare name: string
  declare houseRules: HouseRules
  declare houseRulesVersion: CreationOptional<number>
  /** What is said to customers in the firm's own words. */
  declare wording: CreationOptional<Wording>
  declare wordingVersion: CreationOptional<number>
  declare products: Product[]
  declare equipment: Equipment[]
  declare storesVersion: CreationOptional<number>
  /** Learned from all its units; null before there is anything to learn from. */
  declare foulingRates: CreationOptional<FirmRates | null>
  declare ownersNeedSecondFactor: CreationOptional<boolean>
  /** After how many months things go; null keeps all for good. */
  declare retention: CreationOptional<Retention | null>
}

export class User extends Model<InferAttributes<User>, InferCreationAttributes<User>> {
  declare id: CreationOptional<number>
  declare firmId: number
  declare name: string
  declare signIn: string
  declare role: 'owner' | 'technician'
  declare passwordHash: string
  declare trained: NonNullable<CrewRecord['trained']>
  /** Units that this person reads in; null is metric. */
  declare measures: CreationOptional<Measures | null>
  /** That this person reads; null is as their device is set. */
  declare language: CreationOptional<Language | null>
  /** Since when they get in no more; what they did stays. */
  declare endedAt: CreationOptional<Date | null>
  declare liftKg: CreationOptional<number | null>
  /** Of the firm's own minutes, what they take, %. */
  declare pacePercent: CreationOptional<number | null>
  declare lastSeenAt: CreationOptional<Date | null>
  /** Of a code that sets a password once, and until when. */
  declare codeHash: CreationOptional<string | null>
  declare codeUntil: CreationOptional<Date | null>
  declare secondFactor: CreationOptional<SecondFactor | null>
}

/** A second factor (TOTP, RFC 6238). */
export interface SecondFactor {
  /** In base 32. */
  readonly secret: string
  /** Whether a code of it was entered: before, it does not count. */
  readonly isSet: boolean
  /** Number of the last half minute of which a code was taken: none is taken twice. */
  readonly lastStep: number
  /** Hashes of the codes for its loss that are left. */
  readonly recovery: readonly string[]
}

export class Session extends Model<InferAttributes<Session>, InferCreationAttributes<Session>> {
  declare tokenHash: string
  /** By which it is named without its token. */
  declare id: string
  declare userId: number
  /** Program and system, as the browser says. */
  declare device: string
  declare madeAt: Date
  /** When it was used last, to a few minutes. */
  declare usedAt: Date
  declare expiresAt: Date
  /** When the password was given last by whoever holds it. */
  declare confirmedAt: CreationOptional<Date | null>
}

/** Binds all models to a connection. */
export function defineModels(sequelize: Sequelize): void {
  Firm.init(
    {
      id: { ...whole(), primaryKey: true, autoIncrement: true },
      name: text(120),
      houseRules: json<Firm>('houseRules'),
      houseRulesVersion: { ...whole(), defaultValue: 1 },
      wording: { ...(json<Firm>('wording') as object), defaultValue: '{}' } as ModelAttributes<Firm>[string],
      wordingVersion: { ...whole(), defaultValue: 1 },
      products: json<Firm>('products'),
      equipment: json<Firm>('equipment'),
      storesVersion: { ...whole(), defaultValue: 1 },
      foulingRates: { ...(json<Firm>('foulingRates') as object), allowNull: true } as ModelAttributes<Firm>[string],
      retention: { ...(json<Firm>('retention') as object), allowNull: true } as ModelAttributes<Firm>[string],
      ownersNeedSecondFactor: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
    },
    { sequelize, tableName: 'firms' },
  )
  User.init(
    {
      id: { ...whole(), primaryKey: true, autoIncrement: true },
      firmId: whole(),
      name: text(120),
      signIn: text(80),
      role: text(20),
      passwordHash: text(300),
      trained: json<User>('trained'),
      measures: { ...(json<User>('measures') as object), allowNull: true } as ModelAttributes<User>[string],
      language: { type: DataTypes.STRING(20), allowNull: true },
      endedAt: { type: DataTypes.DATE(3), allowNull: true },
      liftKg: { type: DataTypes.DOUBLE, allowNull: true },
      pacePercent: { type: DataTypes.DOUBLE, allowNull: true },
      lastSeenAt: { type: DataTypes.DATE, allowNull: true },
      codeHash: { type: DataTypes.CHAR(64), allowNull: true },
      codeUntil: { type: DataTypes.DATE(3), allowNull: true },
      secondFactor: { ...(json<User>('secondFactor') as object), allowNull: true } as ModelAttributes<User>[string],
    },
    { sequelize, tableName: 'users' },
  )
  Session.init(
    {
      tokenHash: { type: DataTypes.CHAR(64), primaryKey: true },
      id: uuid(),
      userId: whole(),
      device: text(200),
      madeAt: { type: DataTypes.DATE, allowNull: false },
      usedAt: { type: DataTypes.DATE, allowNull: false },
      expiresAt: { type: DataTypes.DATE, allowNull: false },
      confirmedAt: { type: DataTypes.DATE(3), allowNull: true },
    },
    { sequelize, tableName: 'sessions' },
  )
  defineSiteModels(sequelize)
  defineWorkModels(sequelize)
  defineOfficeModels(sequelize)
  defineTrustModels(sequelize)
  associate()
}

/** What belongs to what, under the name by which it is read along. The foreign keys themselves are the migrations'. */
function associate(): void {
  const along = (foreignKey: string, as: string) => ({ foreignKey, as, constraints: false })
  Site.hasMany(Unit, along('siteId', 'units'))
  Unit.belongsTo(Site, along('siteId', 'site'))
  Job.belongsTo(Site, along('siteId', 'site'))
  Job.hasMany(JobUnit, along('jobId', 'jobUnits'))
  JobUnit.belongsTo(Job, along('jobId', 'job'))
  JobUnit.belongsTo(Unit, along('unitId', 'unit'))
  DueDay.belongsTo(Unit, along('unitId', 'unit'))
  Token.belongsTo(User, along('userId', 'user'))
  Calendar.belongsTo(User, along('userId', 'user'))
  Calendar.belongsTo(User, along('personId', 'person'))
  Photo.belongsTo(Job, along('jobId', 'job'))
}
