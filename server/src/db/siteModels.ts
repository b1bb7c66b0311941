// What does the database hold of places: sites, their units, and what falls due at each?
import type { Design } from '@yastik/core/units'
import type { Due } from '@yastik/core/upkeep'
import type { Plate, SiteForm, UnitForm } from '@yastik/core/wire'
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

export function defineSiteModels(sequelize: Sequelize): void {
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
}
