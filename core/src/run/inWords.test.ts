import { happeningInWords, type Happening } from './index.ts'
import { inEnglish } from '../tests/inEnglish.ts'

const names = {
  titleOf: (id: string) => `step ${id}`,
  gateOf: (id: string) => `gate of ${id}`,
  productName: (id: string) => `product ${id}`,
  personName: (id: number) => `person ${id}`,
}
const says = (happening: object) => inEnglish(happeningInWords({ unitId: 'u', ...happening } as Happening, names))

describe('a line of the record', () => {
  it.each<[object, string]>([
    [{ type: 'grade-set', part: 'wheel', grade: 3, kinds: ['dust', 'grease'] }, 'blower wheel: grade 3, mat (dust, grease)'],
    [{ type: 'grade-set', part: 'wheel', grade: null, kinds: [], when: 'after' }, 'blower wheel, after the work: not graded'],
    [{ type: 'complaint-set', complaint: 'drips-indoors', present: false }, 'complaint withdrawn: drips indoors'],
    [{ type: 'choice-made', topic: 'wheel', choice: null }, 'Blower wheel: back to the rules’ choice'],
    [{ type: 'gate-confirmed', stepId: 'isolate' }, 'confirmed: gate of isolate'],
    [{ type: 'fasteners-counted', stepId: 's', kind: 'screw', count: 2, direction: 'in' }, '2 × screw back'],
    [{ type: 'product-used', stepId: 's', productId: 'foam', litres: 0.2 }, 'used: 200 mL of product foam'],
    [{ type: 'step-given', stepId: 's', to: 7 }, 'given to person 7: step s'],
    [{ type: 'step-given', stepId: 's', to: null }, 'for anyone: step s'],
    [{ type: 'step-skipped', stepId: 's', because: 'no time' }, 'skipped: step s — no time'],
    [{ type: 'wash-chosen', wash: { flowLMin: 6, washMin: 14, pausesAtMin: [3, 7] } }, 'wash chosen: 6 L/min, 14 min, pauses after 3, 7 min'],
    [{ type: 'paused' }, 'paused'],
    [{ type: 'paused', because: 'a break' }, 'paused — a break'],
    [
      { type: 'photo-measured', photoId: 'p', measure: { region: [], coveredShare: 0.42, low: 0.3, high: 0.5, byHand: 0.5 } },
      'measured on a photo: 50 % covered, corrected by hand (read: 42 %)',
    ],
    [{ type: 'handed-over', verdict: 'partly', customerText: '' }, 'handed over, partly proved'],
  ])('of %j says what happened, by name', (happening, line) => expect(says(happening)).toBe(line))
})
