/** Fetched itself only once the first screen stands, so that the long list of what there is weighs nothing before. */

import { PAGES, stationPath } from './stations'

/** Views and panels that are fetched apart from their station; named by their files, since what is not registered for the whole application is not found by its name. */
const APART = [
  () => import('primevue/datatable'),
  () => import('primevue/fileupload'),
  () => import('~/components/readings/CheckFault.vue'),
  () => import('~/components/run/EarlierRuns.vue'),
  () => import('~/components/readings/PhotoRow.vue'),
  () => import('primevue/tooltip'),
  () => import('~/components/frame/FindPalette.vue'),
  () => import('~/components/frame/StepToast.vue'),
  () => import('~/components/frame/GuideBar.vue'),
  () => import('~/components/frame/KeyList.vue'),
  () => import('~/components/frame/GlossaryList.vue'),
  () => import('#core/engine/readingsCsv'),
  () => import('~/components/bearings/JournalView.vue'),
  () => import('~/components/sight/StripPhoto.vue'),
  () => import('~/components/sight/GaugeCamera.vue'),
  () => import('~/components/sight/ShellZones.vue'),
  () => import('~/components/sight/CameraShot.vue'),
  () => import('~/components/bearings/ShellsView.vue'),
  () => import('~/components/bearings/TurnView.vue'),
  () => import('~/components/brief/TargetTable.vue'),
  () => import('~/components/brief/OilFills.vue'),
  () => import('~/components/brief/OilPanel.vue'),
  () => import('~/components/brief/LayoutEditor.vue'),
  () => import('~/components/pump/PumpSalvage.vue'),
  () => import('~/components/pump/PumpPorts.vue'),
  () => import('~/components/pump/PumpOverSpeed.vue'),
  () => import('~/components/pump/PumpCompare.vue'),
  () => import('~/components/pump/PumpClose.vue'),
  () => import('~/components/relief/ReliefRoutes.vue'),
  () => import('~/components/relief/ReliefFit.vue'),
  () => import('~/components/relief/ReliefBench.vue'),
  () => import('~/components/relief/ReliefLabel.vue'),
  () => import('~/components/pickup/PickupSuction.vue'),
  () => import('~/components/pickup/PickupOil.vue'),
  () => import('~/components/outlook/CurvesView.vue'),
  () => import('~/components/outlook/PressureChart.vue'),
  () => import('~/components/outlook/OverSpeedChart.vue'),
  () => import('~/components/outlook/FindChart.vue'),
  () => import('~/components/outlook/FlowStackChart.vue'),
  () => import('~/components/outlook/MapView.vue'),
  () => import('~/components/outlook/CircuitView.vue'),
  () => import('~/components/outlook/MovesView.vue'),
  () => import('~/components/outlook/TryView.vue'),
  () => import('~/components/outlook/FindView.vue'),
  () => import('~/components/outlook/ScenarioView.vue'),
  () => import('~/components/prime/PrimeLive.vue'),
  () => import('~/components/prime/PrimeRound.vue'),
  () => import('~/components/start/StartReadings.vue'),
  () => import('~/components/start/StartBoard.vue'),
  () => import('~/components/start/SpeedEar.vue'),
  () => import('~/components/start/BreakIn.vue'),
  () => import('~/components/run/RunImport.vue'),
  () => import('~/components/logbook/SistersView.vue'),
  () => import('~/components/logbook/HabitChart.vue'),
  () => import('~/components/logbook/SpreadChart.vue'),
  () => import('~/components/logbook/YearsView.vue'),
  () => import('~/components/logbook/TrendChart.vue'),
  () => import('~/components/logbook/InOutView.vue'),
  () => import('~/components/logbook/PapersView.vue'),
  () => import('~/components/logbook/PaperLinks.vue'),
]

/** Fetches all of it, and the stations themselves; fails when the network is gone. */
export async function fetchEverything(build: string): Promise<void> {
  const { beside } = useVersion()
  const router = useRouter()
  const stations = PAGES.flatMap(({ page }) => router.resolve(stationPath(build, page)).matched)
    .flatMap(({ components }) => Object.values(components ?? {}))
    .filter((component) => typeof component === 'function') as (() => Promise<unknown>)[]
  await Promise.all([...stations, ...APART].map((fetched) => beside(fetched())))
}
