import workerpool from 'workerpool'
import { TASKS } from './tasks'

workerpool.worker(TASKS)
