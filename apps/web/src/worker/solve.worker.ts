import { expose } from 'comlink'
import { tellAlive } from './alive.js'
import { solveService } from './solve-service.js'

expose(solveService)
tellAlive()
