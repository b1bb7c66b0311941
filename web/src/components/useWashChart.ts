// Where do bag, bucket and pauses of a washing lie on its chart (D3)?
import type { WashCourse, WashRun } from '@yastik/core/wash'
import { scaleLinear } from 'd3-scale'
import { computed, type Ref } from 'vue'

/** @param course as it was reckoned last @param washMin minutes of washing that are tried @param run what holds how much */
export function useWashChart(course: Readonly<Ref<WashCourse | undefined>>, washMin: Readonly<Ref<number>>, run: () => WashRun) {
  const width = 900
  const frame = { left: 52, right: 16, top: 18, bottom: 40 }
  const high = 150
  const low = 90
  const gap = 26
  const height = frame.top + high + gap + low + frame.bottom
  const endMin = computed(() => Math.max(course.value?.moments.at(-1)?.minute ?? 0, washMin.value + 3))
  const x = computed(() =>
    scaleLinear()
      .domain([0, endMin.value])
      .range([frame.left, width - frame.right]),
  )
  const bag = computed(() =>
    scaleLinear()
      .domain([0, run().holdsL * 1.15])
      .range([frame.top + high, frame.top]),
  )
  const bucketTop = frame.top + high + gap
  const bucket = computed(() =>
    scaleLinear()
      .domain([0, run().bucketL])
      .range([bucketTop + low, bucketTop]),
  )
  const line = (of: (moment: WashCourse['moments'][number]) => number) =>
    (course.value?.moments ?? [])
      .map((moment, index) => `${index === 0 ? 'M' : 'L'}${x.value(moment.minute).toFixed(1)},${of(moment).toFixed(1)}`)
      .join('')
  const bagLine = computed(() => line(({ standingL }) => bag.value(standingL)))
  const bucketLine = computed(() => line(({ bucketL }) => bucket.value(bucketL)))
  const pauseBands = computed(() => {
    const bands: { from: number; to: number }[] = []
    for (const { minute, doing } of course.value?.moments ?? []) {
      const last = bands.at(-1)
      if (doing !== 'pause') continue
      if (last && minute - last.to < 0.11) last.to = minute
      else bands.push({ from: minute, to: minute })
    }
    return bands
  })
  return { width, frame, high, low, gap, height, x, bag, bucketTop, bucket, bagLine, bucketLine, pauseBands }
}
