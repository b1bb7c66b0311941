// What does bare metal send back along a ray that goes between fins or blades? Thin plates, seen at a slant: their edges, their sides, what lies behind.

const { abs, exp, max } = Math

export interface Plates {
  /** Thickness of an edge, shares of the pitch. */
  readonly edge: number
  /** How deep the light reaches between two plates, pitches. */
  readonly fall: number
  /** Brightness of the metal's edge, of its sides towards left and right of the light, and of what lies behind the plates; linear. */
  readonly metal: number
  readonly sides: readonly [number, number]
  readonly behind: number
}

/**
 * Brightness at `phase` (pitches from a plate's edge, 0..1) along a ray whose slant across the plates is `tangent` (pitches across per pitch of
 * depth).
 */
export function platesAt({ edge, fall, metal, sides, behind }: Plates, phase: number, tangent: number): number {
  if (phase < edge) {
    // An edge is a little round: brightest in its middle.
    const off = (2 * phase) / edge - 1
    return metal * (1.08 - 0.22 * off * off)
  }
  const distance = tangent > 0 ? 1 - phase : phase - edge
  const depth = distance / max(1e-3, abs(tangent))
  return behind + (metal * sides[tangent > 0 ? 0 : 1] - behind) * exp(-depth / fall)
}
