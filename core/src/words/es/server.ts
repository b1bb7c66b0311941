// What does the server say of itself, outside any screen?
import type { server as english } from '../en/server.ts'

export const server: Record<keyof typeof english, string> = {
  'server.as-quoted': 'como se cotizó: {way}',
}
