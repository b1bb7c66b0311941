import { quantityWords, asEntered, asRead, customary as imperial, figureOf, metric, unitFor, type SiUnit } from './measures.ts'

describe('figures in a person’s units', () => {
  // NIST SP 811, appendix B: °F = 1.8 °C + 32; 1 US gal = 3.785412 L; 1 ft³/min = 1.699011 m³/h; 1 Btu(IT)/h = 0.2930711 W.
  it.each([
    ['°C', 25, 77],
    ['°C', -40, -40],
    ['K', 10, 18],
    ['L', 3.785412, 1],
    ['L/min', 1.6, 0.42268],
    ['m³/h', 1.699011, 1],
    ['kW', 3.5, 11942.5],
  ] as [SiUnit, number, number][])('%s: %d reads as %d, and back', (unit, stored, read) => {
    expect(asRead(stored, unit, imperial) / read).toBeCloseTo(1, 4)
    expect(asEntered(read, unit, imperial)).toBeCloseTo(stored, 3)
    expect(asRead(stored, unit, metric)).toBe(stored)
    expect(asEntered(stored, unit, metric)).toBe(stored)
  })
  it('have the decimals that they deserve', () => {
    expect(figureOf(26.4, '°C', imperial)).toBe(79.5)
    expect(figureOf(612, 'm³/h', imperial)).toBe(360)
    expect(figureOf(3.47, 'kW', imperial)).toBe(11800)
    expect(figureOf(8.4, 'L', imperial)).toBe(2.22)
    expect(figureOf(0, 'L', imperial)).toBe(0)
    expect(figureOf(8.4, 'L', metric)).toBe(8.4)
  })
  // NIST SP 811: 1 US fl oz = 29.57353 mL.
  it.each([
    [0.012, '12 mL', '0.4 fl oz'],
    [0.9, '900 mL', '30.4 fl oz'],
    [-0.25, '-250 mL', '-8.5 fl oz'],
    [0, '0 L', '0 gal'],
    [1, '1 L', '0.3 gal'],
    [12.5, '12.5 L', '3.3 gal'],
  ])('of %d L are read as %s or %s', (litres, own, foreign) => {
    expect(quantityWords(litres, 'L', metric)).toBe(own)
    expect(quantityWords(litres, 'L', imperial)).toBe(foreign)
  })
  it('are named as they are read', () => {
    expect((['°C', 'K', 'L/h', 'm³/h', 'kW'] as SiUnit[]).map((unit) => unitFor(unit, imperial))).toEqual(['°F', '°F', 'gal/h', 'CFM', 'Btu/h'])
  })
})
