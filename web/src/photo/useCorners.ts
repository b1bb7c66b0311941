// Where is the part on a photograph? Where somebody put the corners before, where the part of the other photograph is found on it, or where a person sets them.
import type { Region } from '@yastik/core/lookover'
import { regionByTwoPlaces, usualRegion, type Aligned, type Marked, type Surface } from '@yastik/core/proof'
import { photosOfPart, type TakenPhoto } from '@yastik/core/run'
import { computed, ref, shallowRef, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import type { PhotoWorker } from './usePhotoWorker.ts'
import { t } from '../words/words.ts'

/** The other measured photograph of the part, by which corners are put. */
export interface Guide {
  readonly photo: TakenPhoto
  readonly region: Region
  readonly picture: Blob
}
export interface Corners {
  readonly region: Ref<Region>
  readonly guide: ShallowRef<Guide | undefined>
  /** How the corners came to be where they are. */
  readonly how: Ref<'by-hand' | 'looking' | 'found' | 'not-found' | 'two-places'>
  readonly guideSays: ComputedRef<string>
  move(index: number, place: Region[number]): void
  /** Looks for the part of the guide on this picture. */
  look(picture: Blob): Promise<void>
  /** Takes the corners as they are: whatever is still looked for comes too late. */
  settle(): void
  /** By the same two places on both. @throws Fault `photo-unclear` */
  byTwoPlaces(onGuide: Marked, onThis: Marked): void
}

/** The latest measured photograph of the part from the other side of the work. */
function guideFor(photos: readonly TakenPhoto[], { of }: TakenPhoto): TakenPhoto | undefined {
  return of && photosOfPart(photos, of.part, of.when === 'after' ? 'before' : 'after').findLast(({ measure }) => measure)
}

/** @param pictureOf a photograph's picture; undefined where it cannot be had */
export function useCorners(
  photo: TakenPhoto,
  photos: readonly TakenPhoto[],
  surface: Surface,
  { align }: PhotoWorker,
  pictureOf: (photo: TakenPhoto) => Promise<Blob | undefined>,
): Corners {
  const region = ref<Region>(photo.measure?.region ?? usualRegion)
  const how = ref<'by-hand' | 'looking' | 'found' | 'not-found' | 'two-places'>('by-hand')
  const guide = shallowRef<Guide>()
  const guideSays = computed(() => (photo.of?.when === 'after' ? t('screen.proof.the-photograph-before') : t('screen.proof.the-photograph-after')))

  const move = (index: number, place: Region[number]) => {
    region.value = region.value.map((corner, at) => (at === index ? place : corner)) as Region
    // Who moves a corner while it is looked for has decided.
    settle()
  }
  const settle = () => {
    if (how.value === 'looking') how.value = 'by-hand'
  }
  async function look(picture: Blob): Promise<void> {
    const other = guideFor(photos, photo)
    if (!other?.measure) return
    const otherPicture = await pictureOf(other)
    if (!otherPicture) return
    guide.value = { photo: other, region: other.measure.region, picture: otherPicture }
    if (photo.measure) return
    how.value = 'looking'
    let found: Aligned | undefined
    try {
      found = await align(otherPicture, other.measure.region, picture, surface)
    } catch (error) {
      // Nobody looks any more, whatever is said of it.
      settle()
      throw error
    }
    if (how.value !== 'looking') return
    how.value = found ? 'found' : 'not-found'
    if (found) region.value = found.region.map(({ x, y }) => ({ x: within(x), y: within(y) })) as Region
  }
  function byTwoPlaces(onGuide: Marked, onThis: Marked): void {
    if (!guide.value) return
    region.value = regionByTwoPlaces(guide.value.region, onGuide, onThis)
    how.value = 'two-places'
  }
  return { region, guide, how, guideSays, move, settle, look, byTwoPlaces }
}

const within = (value: number) => Math.min(1, Math.max(0, value))
