import { z } from 'zod'

// zod otherwise tries whether it may make functions of text, which the app's own security policy reports as a breach
z.config({ jitless: true })

export { z }
