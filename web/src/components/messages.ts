// How are messages spoken of?
import type { MessageRecord, MessageState } from '@yastik/core/wire'

export const channelWords: Record<MessageRecord['channel'], string> = { text: 'A text', mail: 'A mail' }
export const messageStateWords: Record<MessageState, string> = {
  waiting: 'waits to be sent',
  sent: 'on its way',
  delivered: 'delivered',
  failed: 'failed',
  withheld: 'kept back',
  withdrawn: 'taken back',
}
