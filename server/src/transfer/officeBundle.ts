// What the office did, in a firm's bundle: quotes, messages, and the stock.
import { stored } from '@yastik/core/wire'
import type { Bundle, BundleContent } from '@yastik/core/wire'
import { Op } from 'sequelize'
import type { Doing } from '../db/database.ts'
import { groupBy } from '../db/groupBy.ts'
import { Message, Quote, Reply, StockLot, StockMove, Stop } from '../db/models.ts'

type Office = Pick<BundleContent, 'quotes' | 'messages' | 'stops' | 'lots' | 'moves'>
/** Nobody asks any more what became of a message that another instance sent. */
const never = new Date('9999-12-31T00:00:00Z')

export async function officeOf(firmId: number): Promise<Office> {
  const where = { firmId }
  const [quotes, messages, replies, stops, lots, moves] = await Promise.all([
    Quote.findAll({ where, order: [['id', 'ASC']] }),
    Message.findAll({ where, order: [['id', 'ASC']] }),
    Reply.findAll({ where, order: [['id', 'ASC']] }),
    Stop.findAll({ where, order: [['address', 'ASC']] }),
    StockLot.findAll({
      where,
      order: [
        ['productId', 'ASC'],
        ['lot', 'ASC'],
      ],
    }),
    StockMove.findAll({ where, order: [['id', 'ASC']] }),
  ])
  const repliesBy = groupBy(replies, ({ messageId }) => messageId)
  return {
    quotes: quotes.map(({ id, siteId, state, madeOn, validUntil, total, body, chosen = null, jobId = null, savedBy }) => ({
      id,
      siteId,
      state,
      madeOn,
      validUntil,
      total,
      body,
      chosen,
      jobId,
      savedBy,
    })),
    messages: messages.map(
      ({ id, siteId, quoteId = null, kind, channel, address, body, state, tries, because = null, madeAt, changedAt, madeBy }) => ({
        id,
        siteId,
        kind,
        channel,
        to: address,
        body,
        state,
        tries,
        because,
        madeAt: madeAt.toISOString(),
        changedAt: changedAt.toISOString(),
        by: madeBy,
        quoteId,
        replies: (repliesBy.get(id) ?? []).map(({ id: replyId, text, at }) => ({ id: replyId, text, at: at.toISOString() })),
      }),
    ),
    stops: stops.map(({ address, stoppedOn }) => ({ address, stoppedOn })),
    lots: lots.map(({ productId, lot, labelDate = null, litres }) => ({ productId, lot, labelDate, litres })),
    moves: moves.map(({ id, movedAt, productId, kind, litres, lot, movedBy, jobId = null, unitId = null }) => ({
      id,
      at: movedAt.toISOString(),
      productId,
      kind,
      litres,
      lot,
      by: movedBy,
      jobId,
      unitId,
    })),
  }
}

/** Reads it in; a message that still waited is not sent from here: where it came from it may be. */
export async function takeInOffice(
  { transaction }: Doing,
  firmId: number,
  { quotes = [], messages = [], stops = [], lots = [], moves = [] }: Bundle,
): Promise<void> {
  await Quote.bulkCreate(
    quotes.map((quote) => ({ ...quote, units: quote.body.units.length, firmId })),
    { transaction },
  )
  await Message.bulkCreate(
    messages.map(({ to, by, madeAt, changedAt, state, replies: _, because, ...message }) => ({
      ...message,
      firmId,
      address: to,
      madeBy: by,
      madeAt: new Date(madeAt),
      changedAt: new Date(changedAt),
      state: state === 'waiting' ? ('withdrawn' as const) : state,
      because: state === 'waiting' ? stored.waitedElsewhere : because,
      nextAt: never,
    })),
    { transaction },
  )
  await Reply.bulkCreate(
    messages.flatMap(({ id, replies }) => replies.map((reply) => ({ ...reply, firmId, messageId: id, at: new Date(reply.at) }))),
    { transaction },
  )
  // A word to stop that is known here already stands.
  const known = new Set(
    (await Stop.findAll({ where: { firmId, address: { [Op.in]: stops.map(({ address }) => address) } }, transaction })).map((stop) => stop.address),
  )
  await Stop.bulkCreate(
    stops.filter(({ address }) => !known.has(address)).map((stop) => ({ ...stop, firmId })),
    { transaction },
  )
  await StockLot.bulkCreate(
    lots.map((lot) => ({ ...lot, firmId })),
    { transaction },
  )
  await StockMove.bulkCreate(
    moves.map(({ at, by, ...move }) => ({ ...move, firmId, movedAt: new Date(at), movedBy: by })),
    { transaction },
  )
}
