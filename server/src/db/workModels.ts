// What does the database hold of the work: visits, their units, their logs, and the photographs?
import type { Happening } from '@yastik/core/run'
import type { VisitFound } from '@yastik/core/wire'
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
import type { Site, Unit } from './siteModels.ts'

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
  /** When it was planned, moved, cancelled or handed over last. */
  declare changedAt: CreationOptional<Date>
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

/** The state of a unit under way, as far as its log says: later events are put on top of it. */
export class UnitRun extends Model<InferAttributes<UnitRun>, InferCreationAttributes<UnitRun>> {
  declare jobId: string
  declare unitId: string
  /** As JSON. */
  declare carried: string
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

export function defineWorkModels(sequelize: Sequelize): void {
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
      changedAt: { type: DataTypes.DATE(3), allowNull: false, defaultValue: DataTypes.NOW },
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
  UnitRun.init(
    { jobId: { ...uuid(), primaryKey: true }, unitId: { ...uuid(), primaryKey: true }, carried: { type: DataTypes.TEXT('long'), allowNull: false } },
    { sequelize, tableName: 'unit_runs' },
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
}
