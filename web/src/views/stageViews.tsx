import { later } from '../design/Later'

/** The stages beside the cockpit, each with a script of its own. */
export const STAGE_VIEWS = {
  prepare: later(() => import('./prepare/Prepare').then((file) => file.Prepare)),
  review: later(() => import('./review/Review').then((file) => file.Review)),
  record: later(() => import('./RecordStage').then((file) => file.RecordStage)),
}
