<script setup lang="ts">
import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js'
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import type { ChartBar } from '@core/desk'
import { sayFigure } from '../language'

/** Bars, each with its figure in a table beside them, for who cannot see bars. */
const props = defineProps<{ title: string; unit: string; bars: readonly ChartBar[] }>()
Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip)

const canvas = ref<HTMLCanvasElement>()
let chart: Chart | undefined
const INK = '#20242a'
Chart.defaults.font = { family: "'Atkinson Hyperlegible Next', sans-serif", size: 14 }
Chart.defaults.color = INK
const ROW_PX = 26
const height = computed(() => 40 + props.bars.length * ROW_PX)
const figure = (value: number): string => sayFigure(value, 2)

function data() {
  return {
    labels: props.bars.map(({ label }) => label),
    datasets: [
      {
        data: props.bars.map(({ value }) => value),
        backgroundColor: props.bars.map(({ hex }) => hex ?? INK),
        borderColor: INK,
        borderWidth: 1,
      },
    ],
  }
}
onMounted(() => {
  if (!canvas.value) return
  chart = new Chart(canvas.value, {
    type: 'bar',
    data: data(),
    options: {
      indexAxis: 'y',
      animation: false,
      maintainAspectRatio: false,
      plugins: { legend: { display: false } },
      scales: { x: { beginAtZero: true, ticks: { precision: 0 } }, y: { ticks: { autoSkip: false } } },
    },
  })
})
watch(
  () => props.bars,
  () => {
    if (!chart) return
    chart.data = data()
    chart.update()
  },
)
onUnmounted(() => chart?.destroy())
</script>

<template>
  <figure>
    <figcaption>{{ title }}</figcaption>
    <div class="both">
      <div class="chart" :style="{ height: `${height}px` }"><canvas ref="canvas" aria-hidden="true" /></div>
      <table class="ruled">
        <caption class="sr-only">
          {{
            title
          }}
        </caption>
        <tbody>
          <tr v-for="bar in bars" :key="bar.label">
            <th scope="row">{{ bar.label }}</th>
            <td class="number">{{ figure(bar.value) }} {{ unit }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </figure>
</template>

<style scoped>
figure {
  margin: 18px 0 26px;
}
figcaption {
  font-weight: 700;
  font-size: 1.1rem;
}
.both {
  display: grid;
  grid-template-columns: minmax(280px, 2fr) minmax(220px, 1fr);
  gap: 24px;
  align-items: start;
}
.chart {
  position: relative;
  min-width: 0;
}
@media (max-width: 760px) {
  .both {
    grid-template-columns: 1fr;
  }
}
</style>
