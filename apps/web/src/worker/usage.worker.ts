import { expose } from 'comlink'
import { usageService } from './usage-service.js'

expose(usageService)
