import { expose } from 'comlink'
import { solveService } from './solve-service.js'

expose(solveService)
