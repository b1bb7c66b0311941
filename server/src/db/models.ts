// What does the database hold?
import type {
  CrewRecord,
  Design,
  Due,
  Equipment,
  FirmRates,
  Happening,
  HouseRules,
  Measures,
  MessageState,
  MoveKind,
  Product,
  QuoteBody,
  QuoteState,
  SiteForm,
  UnitForm,
  VisitFound,
} from '@yastik/core'
import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type ModelAttributes,
  type Sequelize,
} from 'sequelize'

/** MariaDB keeps JSON as text; it is parsed on reading and written as text. */
function json<M extends Model>(field: string): ModelAttributes<M>[string] {
  return {
    type: DataTypes.TEXT('long'),
    allowNull: false,
    get(this: M): unknown {
      const raw: unknown = this.getDataValue(field as keyof M['_attributes'])
      return typeof raw === 'string' ? JSON.parse(raw) : raw
    },
    set(this: M, value: unknown): void {
      this.setDataValue(field as keyof M['_attributes'], JSON.stringify(value) as M['_attributes'][keyof M['_attributes']])
    },
  }
}

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
}

export class Session extends Model<InferAttributes<Session>, InferCreationAttributes<Session>> {
  declare tokenHash: string
  declare userId: number
  declare expiresAt: Date
}

export class Site extends Model<InferAttributes<Site>, InferCreationAttributes<Site>> {
  declare id: string
  declare firmId: number
  declare version: CreationOptional<number>
  declare name: string
  declare form: SiteForm
  declare savedBy: string
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
  declare savedBy: string
  declare lastCleanedAt: CreationOptional<Date | null>
}

export class Job extends Model<InferAttributes<Job>, InferCreationAttributes<Job>> {
  declare id: string
  declare firmId: number
  declare siteId: string
  declare onDate: string
  declare crewIds: number[]
  /** Whether every unit was handed over, or it was cancelled. */
  declare closed: CreationOptional<boolean>
  declare revision: CreationOptional<number>
  declare cancelledAt: CreationOptional<Date | null>
  /** Of the calendar entry that it came from. */
  declare calendarUid: CreationOptional<string | null>
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
  declare leftIndex: CreationOptional<number | null>
  declare panTreatmentWeeks: CreationOptional<number | null>
  /** What was seen and done, once the unit is handed over. */
  declare seen: CreationOptional<VisitFound | null>
  /** Kinds of soil that were found, with commas between, so that they can be looked for. */
  declare soilKinds: CreationOptional<string>
}

/** What falls due at a unit, and when. */
export class DueDay extends Model<InferAttributes<DueDay>, InferCreationAttributes<DueDay>> {
  declare unitId: string
  declare what: Due['what']
  declare firmId: number
  declare dueOn: string
  declare lowOn: string | null
  declare highOn: string | null
  declare family: CreationOptional<Unit['family']>
  /** When the same unit's deep clean is due. */
  declare deepOn: CreationOptional<string | null>
}

export class StoredEvent extends Model<InferAttributes<StoredEvent>, InferCreationAttributes<StoredEvent>> {
  declare seq: CreationOptional<number>
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

/** What was offered to a customer. */
export class Quote extends Model<InferAttributes<Quote>, InferCreationAttributes<Quote>> {
  declare id: string
  declare firmId: number
  declare siteId: string
  declare state: CreationOptional<QuoteState>
  declare madeOn: string
  declare validUntil: string
  declare version: CreationOptional<number>
  /** Of the chosen way, or of the first that is offered. */
  declare total: number
  /** How many it is for. */
  declare units: number
  declare body: QuoteBody
  declare chosen: CreationOptional<string | null>
  declare jobId: CreationOptional<string | null>
  declare savedBy: string
}

/** A message to a customer, from when it was written until it is known what became of it. */
export class Message extends Model<InferAttributes<Message>, InferCreationAttributes<Message>> {
  declare id: string
  declare firmId: number
  declare siteId: string
  declare quoteId: CreationOptional<string | null>
  declare kind: 'reminder' | 'quote'
  declare channel: 'text' | 'mail'
  declare address: string
  declare body: string
  declare state: CreationOptional<MessageState>
  declare tries: CreationOptional<number>
  /** Not sent, or asked after, before this. */
  declare nextAt: Date
  declare gatewayRef: CreationOptional<string | null>
  declare because: CreationOptional<string | null>
  declare madeAt: Date
  declare changedAt: Date
  declare madeBy: string
}
/** What a customer answered; the gateway's own id keeps it from coming twice. */
export class Reply extends Model<InferAttributes<Reply>, InferCreationAttributes<Reply>> {
  declare id: string
  declare firmId: number
  declare messageId: string
  declare text: string
  declare at: Date
}
/** An address that nobody of the firm writes to any more. */
export class Stop extends Model<InferAttributes<Stop>, InferCreationAttributes<Stop>> {
  declare firmId: number
  declare address: string
  declare stoppedOn: string
}

/** What is left of one lot of a product. */
export class StockLot extends Model<InferAttributes<StockLot>, InferCreationAttributes<StockLot>> {
  declare firmId: number
  declare productId: string
  declare lot: string
  declare labelDate: CreationOptional<string | null>
  declare litres: number
}
/** What came to a lot, above zero, or went from it. */
export class StockMove extends Model<InferAttributes<StockMove>, InferCreationAttributes<StockMove>> {
  declare id: string
  declare firmId: number
  declare productId: string
  declare lot: string
  declare kind: MoveKind
  declare litres: number
  declare jobId: CreationOptional<string | null>
  declare unitId: CreationOptional<string | null>
  declare movedAt: Date
  declare movedBy: string
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
}

// Made anew for every column: the binding writes the column's name into what it is given.
const uuid = () => ({ type: DataTypes.CHAR(36), allowNull: false })
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false })

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
    },
    { sequelize, tableName: 'users' },
  )
  Session.init(
    { tokenHash: { type: DataTypes.CHAR(64), primaryKey: true }, userId: whole(), expiresAt: { type: DataTypes.DATE, allowNull: false } },
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
      savedBy: text(120),
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
      crewIds: json<Job>('crewIds'),
      closed: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      revision: { ...whole(), defaultValue: 0 },
      cancelledAt: { type: DataTypes.DATE(3), allowNull: true },
      calendarUid: { type: DataTypes.STRING(255), allowNull: true },
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
      firmId: whole(),
      dueOn: { type: DataTypes.DATEONLY, allowNull: false },
      lowOn: { type: DataTypes.DATEONLY, allowNull: true },
      highOn: { type: DataTypes.DATEONLY, allowNull: true },
      family: { ...text(30), defaultValue: 'wall-head' },
      deepOn: { type: DataTypes.DATEONLY, allowNull: true },
    },
    { sequelize, tableName: 'dues' },
  )
  Quote.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      siteId: uuid(),
      state: { ...text(20), defaultValue: 'open' },
      madeOn: { type: DataTypes.DATEONLY, allowNull: false },
      validUntil: { type: DataTypes.DATEONLY, allowNull: false },
      version: { ...whole(), defaultValue: 1 },
      total: { type: DataTypes.DOUBLE, allowNull: false },
      units: whole(),
      body: json<Quote>('body'),
      chosen: { type: DataTypes.STRING(40), allowNull: true },
      jobId: { ...uuid(), allowNull: true },
      savedBy: text(120),
    },
    { sequelize, tableName: 'quotes' },
  )
  const moment = () => ({ type: DataTypes.DATE(3), allowNull: false })
  Message.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      siteId: uuid(),
      quoteId: { ...uuid(), allowNull: true },
      kind: text(20),
      channel: text(10),
      address: text(200),
      body: { type: DataTypes.TEXT, allowNull: false },
      state: { ...text(20), defaultValue: 'waiting' },
      tries: { ...whole(), defaultValue: 0 },
      nextAt: moment(),
      gatewayRef: { type: DataTypes.STRING(200), allowNull: true },
      because: { type: DataTypes.STRING(300), allowNull: true },
      madeAt: moment(),
      changedAt: moment(),
      madeBy: text(120),
    },
    { sequelize, tableName: 'messages' },
  )
  Reply.init(
    { id: { ...text(200), primaryKey: true }, firmId: whole(), messageId: uuid(), text: text(1000), at: moment() },
    { sequelize, tableName: 'replies' },
  )
  Stop.init(
    {
      firmId: { ...whole(), primaryKey: true },
      address: { ...text(200), primaryKey: true },
      stoppedOn: { type: DataTypes.DATEONLY, allowNull: false },
    },
    { sequelize, tableName: 'stops' },
  )
  const litres = () => ({ type: DataTypes.DOUBLE, allowNull: false })
  StockLot.init(
    {
      firmId: { ...whole(), primaryKey: true },
      productId: { ...text(80), primaryKey: true },
      lot: { ...text(40), primaryKey: true },
      labelDate: { type: DataTypes.DATEONLY, allowNull: true },
      litres: litres(),
    },
    { sequelize, tableName: 'stock_lots' },
  )
  StockMove.init(
    {
      id: { ...uuid(), primaryKey: true },
      firmId: whole(),
      productId: text(80),
      lot: text(40),
      kind: text(20),
      litres: litres(),
      jobId: { ...uuid(), allowNull: true },
      unitId: { ...uuid(), allowNull: true },
      movedAt: moment(),
      movedBy: text(120),
    },
    { sequelize, tableName: 'stock_moves' },
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
}
