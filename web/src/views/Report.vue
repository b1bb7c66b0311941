<script setup lang="ts">
// The report for the customer: on the screen and printed as a page, and the same as a PDF.
import { computed, defineAsyncComponent, ref } from 'vue'
import FaultNote from '../kit/FaultNote.vue'
import PhotoThumb from '../components/PhotoThumb.vue'
import SectionDrawing from '../drawing/SectionDrawing.vue'
import { pictureFor } from '../offline/photos.ts'
import { reportContent } from '@yastik/core/report'
import type { ReportAnswer, ReportAsked } from '../report/report.worker.ts'
import { useJob } from '../stores/job.ts'
import { usePlanning } from '../stores/planning.ts'
import { useSession } from '../stores/session.ts'
import Tap from '../kit/Tap.vue'
import Ledger from '../kit/Ledger.vue'
import { wordsForCustomer } from '../report/customerWords.ts'
import { t } from '../words/words.ts'

// Further down, or opened on demand: loaded then.
const SignatureSlot = defineAsyncComponent(() => import('../components/SignatureSlot.vue'))

const props = defineProps<{ jobId: string; unitId: string }>()
const job = useJob()
const planning = usePlanning()
const session = useSession()
const state = computed(() => job.stateFor(props.unitId))
/** In the customer’s language, whoever makes it. */
const catalogue = await wordsForCustomer(job.record?.site.customerLanguage)
const content = computed(() => {
  const { record } = job
  const unit = job.unitFor(props.unitId)
  const plan = planning.planFor(props.unitId)?.units[0]
  if (!record || !unit || !plan || !session.me) return undefined
  return reportContent({ firm: session.me.firm, record, unit, state: state.value, plan, catalogue })
})
const photoIds = computed(() => [...(content.value?.photos.flatMap(({ before, after }) => [before, after]) ?? []), content.value?.signed?.photoId])

const busy = ref(false)
const error = ref<unknown>()
const missing = ref(0)
/** Letters that could not be set. */
const lacking = ref('')
/** Made aside; the page stays quick meanwhile. */
async function save() {
  if (!content.value) return
  busy.value = true
  error.value = undefined
  const worker = new Worker(new URL('../report/report.worker.ts', import.meta.url), { type: 'module' })
  try {
    const ids = photoIds.value.filter((id) => id !== undefined)
    const photos = (
      await Promise.all(ids.map(async (id) => ({ id, bytes: await pictureFor({ photoId: id, jobId: props.jobId, unitId: props.unitId }) })))
    ).flatMap(({ id, bytes }) => (bytes ? [{ id, bytes }] : []))
    missing.value = ids.length - photos.length
    const asked: ReportAsked = { content: JSON.parse(JSON.stringify(content.value)), photos }
    const answer = await new Promise<ReportAnswer>((done, failed) => {
      worker.onmessage = ({ data }: MessageEvent<ReportAnswer>) => done(data)
      worker.onerror = ({ message }) => failed(new Error(message))
      worker.postMessage(asked)
    })
    if ('failed' in answer) throw new Error(answer.failed)
    lacking.value = answer.lacking
    const link = document.createElement('a')
    link.href = URL.createObjectURL(answer.pdf)
    link.download = `${content.value.fileName}.pdf`
    link.click()
    setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
  } catch (caught) {
    error.value = caught
  } finally {
    worker.terminate()
    busy.value = false
  }
}
const print = () => window.print()
</script>

<template>
  <div v-if="content" class="stack">
    <div class="row no-print">
      <Tap now data-save-report :disabled="busy" @click="save">{{ busy ? t('screen.report.making') : t('screen.report.save-pdf') }}</Tap>
      <Tap @click="print">{{ t('screen.report.print-page') }}</Tap>
      <span v-if="missing > 0" role="status" class="small">{{ t('screen.report.not-device-could-not-fetched', { photographs: missing }) }}</span>
      <span v-if="lacking !== ''" role="status" class="small" data-lacking>{{ t('screen.report.no-typeface-hand-signal-save', { lacking }) }}</span>
    </div>
    <FaultNote :error="error" />
    <article class="report stack" data-report :lang="content.language">
      <p class="small">{{ content.firm }}</p>
      <h2 class="title">{{ content.title }}: {{ content.unit }}</h2>
      <dl class="facts">
        <div v-for="fact in content.facts" :key="fact.what">
          <dt>{{ fact.what }}</dt>
          <dd>{{ fact.says }}</dd>
        </div>
      </dl>
      <p class="stamp">{{ content.verdict.stamp }}</p>
      <p>{{ content.verdict.sentence }}</p>
      <div v-if="content.parts.length > 0" class="pair">
        <figure>
          <figcaption class="small">{{ content.words.labels['as-found'] }}</figcaption>
          <SectionDrawing :family="content.family" :grades="content.gradesBefore" :words="content.words" readonly marks-unseen />
        </figure>
        <figure>
          <figcaption class="small">{{ content.words.labels['after-work'] }}</figcaption>
          <SectionDrawing :family="content.family" :grades="content.gradesAfter" :words="content.words" readonly marks-unseen />
        </figure>
      </div>
      <Ledger
        v-if="content.parts.length > 0"
        :title="content.words.labels.parts"
        data-parts
        :rows="content.parts"
        :columns="[
          { key: 'part', says: content.words.labels.part },
          { key: 'before', says: content.words.labels['as-found'] },
          { key: 'after', says: content.words.labels['after-work'] },
        ]"
        :row-key="({ part }) => part"
      />
      <section v-for="section in content.sections" :key="section.heading">
        <h3>{{ section.heading }}</h3>
        <ul>
          <li v-for="sentence in section.sentences" :key="sentence">{{ sentence }}</li>
        </ul>
      </section>
      <section v-if="content.readings.length > 0">
        <h3>{{ content.words.labels.readings }}</h3>
        <Ledger
          :title="content.words.labels.readings"
          :rows="content.readings"
          :columns="[
            { key: 'what', says: content.words.labels.what },
            { key: 'before', says: content.words.labels.before },
            { key: 'after', says: content.words.labels.after },
            { key: 'clean', says: content.words.labels['clean-here'] },
          ]"
          :row-key="({ what }) => what"
        >
          <template #what="{ row }"
            ><b>{{ row.what }}</b></template
          >
        </Ledger>
      </section>
      <section v-if="content.photos.length > 0">
        <h3>{{ content.words.labels.photographs }}</h3>
        <div v-for="photo in content.photos" :key="photo.part" class="pair">
          <figure v-for="when in ['before', 'after'] as const" :key="when">
            <template v-if="photo[when]">
              <figcaption class="small">
                {{ photo.part }}, {{ content.words.labels[when].toLocaleLowerCase() }}{{ when === 'after' ? photo.measured : '' }}
              </figcaption>
              <PhotoThumb
                wide
                :photo-id="photo[when]!"
                :job-id="jobId"
                :unit-id="unitId"
                :says="`${photo.part}, ${content.words.labels[when].toLocaleLowerCase()}`"
              />
            </template>
          </figure>
        </div>
      </section>
      <section class="stack">
        <h3>{{ content.words.labels.signature }}</h3>
        <template v-if="content.signed">
          <PhotoThumb
            :photo-id="content.signed.photoId"
            :job-id="jobId"
            :unit-id="unitId"
            :says="`${content.words.labels.signed}: ${content.signed.says}`"
          />
          <p class="small" data-signed>{{ content.signed.says }}</p>
        </template>
        <SignatureSlot v-else :unit-id="unitId" />
      </section>
      <p class="small">{{ content.foot }}</p>
    </article>
  </div>
  <p v-else>{{ t('screen.report.unit-not-part-visit') }}</p>
</template>

<style scoped>
.report {
  max-width: 52rem;
}
.title {
  font-size: 1.7rem;
}
.facts {
  margin: 0;
}
.facts > div {
  display: grid;
  grid-template-columns: 6rem 1fr;
  border-bottom: var(--rule-width) solid var(--rule);
  padding: 0.2rem 0;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
.stamp {
  font-size: 1.4rem;
  font-weight: 600;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 1rem;
}
figure {
  margin: 0;
}
ul {
  margin: 0.2rem 0 0;
  padding-left: 1.1rem;
}
@media (max-width: 700px) {
  .pair {
    grid-template-columns: 1fr;
  }
}
@media print {
  section,
  figure {
    break-inside: avoid;
  }
}
</style>
