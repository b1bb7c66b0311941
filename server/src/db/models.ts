// What does the database hold of the work: firms and people, sites and units, visits and their logs?
import type { HouseRules } from '@yastik/core/method'
import type { Equipment, Product } from '@yastik/core/products'
import type { Measures } from '@yastik/core/quantities'
import type { Happening } from '@yastik/core/run'
import type { Design } from '@yastik/core/units'
import type { Due, FirmRates } from '@yastik/core/upkeep'
import type { CrewRecord, Plate, Retention, SiteForm, UnitForm, VisitFound } from '@yastik/core/wire'
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
import { json, text, uuid, whole } from './columns.ts'
import { defineOfficeModels } from './officeModels.ts'
import { defineTrustModels, Token } from './trustModels.ts'

export { Message, Quote, Reply, StockLot, StockMove, Stop } from './officeModels.ts'
export { Audit, Import, Token } from './trustModels.ts'

export class Firm extends Model<InferAttributes<Firm>, InferCreationAttributes<Firm>> {
  declare id: CreationOptional<number>
  declare name: string
  declare houseRules: HouseRules
  declare houseRulesVersion: CreationOptional<number>
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
  /** Since when they get in no more; what they did stays. */
  declare endedAt: CreationOptional<Date | null>
  declare liftKg: CreationOptional<number | null>
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
}

export class Site extends Model<InferAttributes<Site>, InferCreationAttributes<Site>> {
  declare id: string
  declare firmId: number
  declare version: CreationOptional<number>
  declare name: string
  declare form: SiteForm
  declare savedBy: string
  /** Since when nobody goes there any more. */
  declare retiredAt: CreationOptional<Date | null>
  /** Of the import that it came with. */
  declare importId: CreationOptional<string | null>
  declare units?: NonAttribute<Unit[]>
}

export class Unit extends Model<InferAttributes<Unit>, InferCreationAttributes<Unit>> {
  declare id: string
  declare firmId: number
  declare siteId: string
  declare version: CreationOptional<number>
  declare name: string
  declare family: UnitForm['family']
  declare design: Design
  declare hoursPerDay: number | null
  /** What stands on its nameplate; null where nobody noted it. */
  declare plate: CreationOptional<Plate | null>
  /** The last photograph of the nameplate, and the visit on which it was taken. */
  declare platePhotoId: CreationOptional<string | null>
  declare platePhotoJobId: CreationOptional<string | null>
  declare savedBy: string
  /** Since when nobody cleans it any more. */
  declare retiredAt: CreationOptional<Date | null>
  /** Of the import that it came with. */
  declare importId: CreationOptional<string | null>
  declare lastCleanedAt: CreationOptional<Date | null>
  declare site?: NonAttribute<Site>
}

export class Job extends Model<InferAttributes<Job>, InferCreationAttributes<Job>> {
  declare id: string
  declare firmId: number
  declare siteId: string
  declare onDate: string
  /** When it is to begin, minutes from midnight by the firm's clocks; null where no time was said. */
  declare startMin: CreationOptional<number | null>
  declare crewIds: number[]
  /** Whether every unit was handed over, or it was cancelled. */
  declare closed: CreationOptional<boolean>
  declare revision: CreationOptional<number>
  declare cancelledAt: CreationOptional<Date | null>
  /** Of the calendar entry that it came from. */
  declare calendarUid: CreationOptional<string | null>
  /** How many events its log has. */
  declare logLength: CreationOptional<number>
  declare site?: NonAttribute<Site>
  declare jobUnits?: NonAttribute<JobUnit[]>
}

export class JobUnit extends Model<InferAttributes<JobUnit>, InferCreationAttributes<JobUnit>> {
  declare jobId: string
  declare unitId: string
  declare firmId: number
  declare position: number
  declare stage: CreationOptional<string>
  declare done: CreationOptional<number>
  declare steps: CreationOptional<number>
  declare verdict: CreationOptional<string | null>
  declare worstGrade: CreationOptional<number | null>
  declare handedOverAt: CreationOptional<Date | null>
  declare handedOverBy: CreationOptional<number | null>
  declare scope: CreationOptional<string>
  declare coolingBeforeKw: CreationOptional<number | null>
  declare coolingAfterKw: CreationOptional<number | null>
  /** Worst of coil and wheel as found, and the index at which they were left. */
  declare coilGrade: CreationOptional<number | null>
  /** Chance of each grade that coil and wheel were found at, in order with spaces between, where it is not certain. */
  declare coilChances: CreationOptional<string | null>
  declare leftIndex: CreationOptional<number | null>
  declare panTreatmentWeeks: CreationOptional<number | null>
  /** What was seen and done, once the unit is handed over. */
  declare seen: CreationOptional<VisitFound | null>
  /** Kinds of soil that were found, with commas between, so that they can be looked for. */
  declare soilKinds: CreationOptional<string>
  declare job?: NonAttribute<Job>
  declare unit?: NonAttribute<Unit>
}

/** What falls due at a unit, and when. */
export class DueDay extends Model<InferAttributes<DueDay>, InferCreationAttributes<DueDay>> {
  declare unitId: string
  declare what: Due['what']
  /** Of the unit. */
  declare siteId: string
  declare firmId: number
  declare dueOn: string
  declare lowOn: string | null
  declare highOn: string | null
  declare family: CreationOptional<Unit['family']>
  /** When the same unit's deep clean is due. */
  declare deepOn: CreationOptional<string | null>
  declare unit?: NonAttribute<Unit>
}

export class StoredEvent extends Model<InferAttributes<StoredEvent>, InferCreationAttributes<StoredEvent>> {
  declare seq: CreationOptional<number>
  /** In the log of its job, from 1, in the order in which they were committed. */
  declare place: number
  declare id: string
  declare firmId: number
  declare jobId: string
  declare unitId: string
  declare byUser: number
  declare atMs: number
  /** By how much the device's clock ran ahead of ours, where it knew. */
  declare aheadMs: CreationOptional<number | null>
  declare happening: Happening
}

/** A photograph of a unit on a job; its files lie in the file store. */
export class Photo extends Model<InferAttributes<Photo>, InferCreationAttributes<Photo>> {
  declare id: string
  declare firmId: number
  declare jobId: string
  declare unitId: string
  declare byUser: number
  declare kind: 'jpeg' | 'png' | 'webp'
  declare width: number
  declare height: number
  declare bytes: number
  /** Of what was sent, so that sending again is known. */
  declare sentSha256: string
  declare job?: NonAttribute<Job>
}

/** Binds all models to a connection. */
export function defineModels(sequelize: Sequelize): void {
  Firm.init(
    {
      id: { ...whole(), primaryKey: true, autoIncrement: true },
      name: text(120),
      houseRules: json<Firm>('houseRules'),
      houseRulesVersion: { ...whole(), defaultValue: 1 },
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
      endedAt: { type: DataTypes.DATE(3), allowNull: true },
      liftKg: { type: DataTypes.DOUBLE, allowNull: true },
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
    },
    { sequelize, tableName: 'sessions' },
  )
  Site.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      version: { ...whole(), defaultValue: 1 },
      name: text(120),
      form: json<Site>('form'),
      savedBy: text(120),
      retiredAt: { type: DataTypes.DATE(3), allowNull: true },
      importId: { type: DataTypes.CHAR(36), allowNull: true },
    },
    { sequelize, tableName: 'sites' },
  )
  Unit.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      siteId: uuid(),
      version: { ...whole(), defaultValue: 1 },
      name: text(120),
      family: text(30),
      design: json<Unit>('design'),
      hoursPerDay: { type: DataTypes.DOUBLE, allowNull: true },
      plate: { ...(json<Unit>('plate') as object), allowNull: true } as ModelAttributes<Unit>[string],
      platePhotoId: { type: DataTypes.CHAR(36), allowNull: true },
      platePhotoJobId: { type: DataTypes.CHAR(36), allowNull: true },
      savedBy: text(120),
      retiredAt: { type: DataTypes.DATE(3), allowNull: true },
      importId: { type: DataTypes.CHAR(36), allowNull: true },
      lastCleanedAt: { type: DataTypes.DATE(3), allowNull: true },
    },
    { sequelize, tableName: 'units' },
  )
  Job.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      siteId: uuid(),
      onDate: { type: DataTypes.DATEONLY, allowNull: false },
      startMin: { type: DataTypes.SMALLINT, allowNull: true },
      crewIds: json<Job>('crewIds'),
      closed: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      revision: { ...whole(), defaultValue: 0 },
      cancelledAt: { type: DataTypes.DATE(3), allowNull: true },
      calendarUid: { type: DataTypes.STRING(255), allowNull: true },
      logLength: { ...whole(), defaultValue: 0 },
    },
    { sequelize, tableName: 'jobs' },
  )
  JobUnit.init(
    {
      jobId: { ...uuid(), primaryKey: true },
      unitId: { ...uuid(), primaryKey: true },
      firmId: whole(),
      position: whole(),
      stage: { ...text(20), defaultValue: 'look-over' },
      done: { ...whole(), defaultValue: 0 },
      steps: { ...whole(), defaultValue: 0 },
      verdict: { type: DataTypes.STRING(20), allowNull: true },
      worstGrade: { type: DataTypes.INTEGER, allowNull: true },
      handedOverAt: { type: DataTypes.DATE(3), allowNull: true },
      handedOverBy: { type: DataTypes.INTEGER, allowNull: true },
      scope: { ...text(30), defaultValue: '' },
      coolingBeforeKw: { type: DataTypes.DOUBLE, allowNull: true },
      coolingAfterKw: { type: DataTypes.DOUBLE, allowNull: true },
      coilGrade: { type: DataTypes.INTEGER, allowNull: true },
      coilChances: { type: DataTypes.STRING(40), allowNull: true },
      leftIndex: { type: DataTypes.DOUBLE, allowNull: true },
      panTreatmentWeeks: { type: DataTypes.DOUBLE, allowNull: true },
      soilKinds: { ...text(160), defaultValue: '' },
      seen: { ...(json<JobUnit>('seen') as object), allowNull: true } as ModelAttributes<JobUnit>[string],
    },
    { sequelize, tableName: 'job_units' },
  )
  DueDay.init(
    {
      unitId: { ...uuid(), primaryKey: true },
      what: { ...text(20), primaryKey: true },
      siteId: uuid(),
      firmId: whole(),
      dueOn: { type: DataTypes.DATEONLY, allowNull: false },
      lowOn: { type: DataTypes.DATEONLY, allowNull: true },
      highOn: { type: DataTypes.DATEONLY, allowNull: true },
      family: { ...text(30), defaultValue: 'wall-head' },
      deepOn: { type: DataTypes.DATEONLY, allowNull: true },
    },
    { sequelize, tableName: 'dues' },
  )
  Photo.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      jobId: uuid(),
      unitId: uuid(),
      byUser: whole(),
      kind: text(10),
      width: whole(),
      height: whole(),
      bytes: whole(),
      sentSha256: { type: DataTypes.CHAR(64), allowNull: false, field: 'sent_sha256' },
    },
    { sequelize, tableName: 'photos' },
  )
  StoredEvent.init(
    {
      seq: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
      place: whole(),
      id: uuid(),
      firmId: whole(),
      jobId: uuid(),
      unitId: uuid(),
      byUser: whole(),
      atMs: { type: DataTypes.BIGINT, allowNull: false },
      aheadMs: { type: DataTypes.BIGINT, allowNull: true },
      happening: json<StoredEvent>('happening'),
    },
    { sequelize, tableName: 'events' },
  )
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
  Photo.belongsTo(Job, along('jobId', 'job'))
}
