// The second factor: a code of half a minute from a device (TOTP, RFC 6238), or one of the codes for its loss.
import { createHash, randomInt } from 'node:crypto'
import type { Me } from '@yastik/core/wire'
import { Secret, TOTP } from 'otpauth'
import type { Firm, SecondFactor, User } from '../db/models.ts'

const periodS = 30
/** Clocks differ: a code of the half minute before or after counts. */
const window = 1
const recoveryCodes = 10

const totp = (secret: string, label: string) => new TOTP({ issuer: 'Yastik', label, secret: Secret.fromBase32(secret), period: periodS, digits: 6 })

export const newSecret = (): string => new Secret({ size: 20 }).base32
/** The address that a device's application reads, as text or as a picture. */
export const uriOf = (secret: string, signIn: string): string => totp(secret, signIn).toString()

/** Signs that nobody takes for others when they are read out or written down. */
const signs = '23456789ABCDEFGHJKMNPQRSTUVWXYZ'
/** A code of so many signs, which nobody guesses: four groups of four hold 79 bits. */
export const newCode = (groups: number): string =>
  Array.from({ length: groups }, () => Array.from({ length: 4 }, () => signs[randomInt(signs.length)]).join('')).join('-')
export const plainCode = (code: string): string => code.toUpperCase().replace(/[^0-9A-Z]/g, '')
export const hashOfCode = (code: string): string => createHash('sha256').update(plainCode(code)).digest('hex')
export const newRecoveryCodes = (): string[] => Array.from({ length: recoveryCodes }, () => newCode(3))

/**
 * Takes a code: of the device, each half minute's once; or one for its loss, each once.
 * @returns the factor as it is after; undefined where the code does not fit
 */
export function takeCode(factor: SecondFactor, code: string, nowMs: number): SecondFactor | undefined {
  if (/^\d{6}$/.test(code.replace(/\s/g, ''))) {
    const delta = totp(factor.secret, '').validate({ token: code.replace(/\s/g, ''), timestamp: nowMs, window })
    const step = delta === null ? -1 : Math.floor(nowMs / 1000 / periodS) + delta
    return step > factor.lastStep ? { ...factor, lastStep: step } : undefined
  }
  const hash = hashOfCode(code)
  return factor.recovery.includes(hash) ? { ...factor, recovery: factor.recovery.filter((other) => other !== hash) } : undefined
}

export const secondFactorOf = ({ secondFactor, role }: User, { ownersNeedSecondFactor }: Firm): Me['secondFactor'] =>
  secondFactor?.isSet ? 'set' : role === 'owner' && ownersNeedSecondFactor ? 'needed' : 'unset'
