// The course of the wash water is stepped through time here, for every move of a hand.
import { washCourse, type WashCourse, type WashRun } from '@yastik/core/wash'

export interface WashAsked {
  asking: number
  run: WashRun
}
export interface WashAnswer {
  asking: number
  course: WashCourse
}

self.onmessage = ({ data: { asking, run } }: MessageEvent<WashAsked>) => {
  const answer: WashAnswer = { asking, course: washCourse(run) }
  self.postMessage(answer)
}
