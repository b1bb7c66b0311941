// How is a column described? Made anew for every column: the binding writes the column's name into what it is given.
import { DataTypes, type Model, type ModelAttributes } from 'sequelize'

/** MariaDB keeps JSON as text; it is parsed on reading and written as text. */
export function json<M extends Model>(field: string): ModelAttributes<M>[string] {
  return {
    type: DataTypes.TEXT('long'),
    allowNull: false,
    get(this: M): unknown {
      const raw: unknown = this.getDataValue(field as keyof M['_attributes'])
      return typeof raw === 'string' ? JSON.parse(raw) : raw
    },
    set(this: M, value: unknown): void {
      const text = value === null ? null : JSON.stringify(value)
      this.setDataValue(field as keyof M['_attributes'], text as M['_attributes'][keyof M['_attributes']])
    },
  }
}

export const uuid = () => ({ type: DataTypes.CHAR(36), allowNull: false })
export const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
export const whole = () => ({ type: DataTypes.INTEGER, allowNull: false })
export const moment = () => ({ type: DataTypes.DATE(3), allowNull: false })
export const litres = () => ({ type: DataTypes.DOUBLE, allowNull: false })
