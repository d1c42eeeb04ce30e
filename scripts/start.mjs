/** `npm start`: installs when needed, builds, and serves the app with the demo on one port. */
import { hasPackages, root, run } from './install.mjs'

if (!hasPackages()) run('npm', ['ci'])
run('npm', ['run', 'build', '--silent'])
process.chdir(root)
const { register } = await import('tsx/esm/api')
register()
await import('../apps/server/src/main.ts')
