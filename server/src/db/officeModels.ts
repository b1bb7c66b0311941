// What does the database hold of the office: quotes, messages, and the stock?
import type { MessageState, MoveKind, QuoteBody, QuoteState } from '@yastik/core/wire'
import { DataTypes, Model, type CreationOptional, type InferAttributes, type InferCreationAttributes, type Sequelize } from 'sequelize'
import { json, litres, moment, text, uuid, whole } from './columns.ts'

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
  declare kind: 'reminder' | 'quote' | 'late'
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

export function defineOfficeModels(sequelize: Sequelize): void {
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
}
