/** `npm start`: installs when needed, builds, and serves the app with the demo on one port. */
import { installPackages, root, run } from './install.mjs'

installPackages()
run('npm', ['run', 'build', '--silent'])
process.chdir(root)
const { register } = await import('tsx/esm/api')
register()
await import('../apps/server/src/main.ts')
