import { defineConfig } from 'vitest/config'
import { BaseSequencer, type TestSpecification } from 'vitest/node'

/** The files that take longest: begun first, so that no core idles while another works on the last of them. */
const longest = [
  'solve/proved',
  'limits/asking',
  'cli/test/solving',
  'solve/optimise',
  'solve/solve',
  'server/test/peers',
  'solve/brute',
]

class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const rank = ({ moduleId }: TestSpecification): number => {
      const at = longest.findIndex((part) => moduleId.includes(`${part}.test.`))
      return at === -1 ? longest.length : at
    }
    return (await super.sort(files)).sort((a, b) => rank(a) - rank(b))
  }
}

export default defineConfig({
  test: {
    projects: [
      {
        extends: true,
        test: {
          name: 'unit',
          include: ['packages/*/test/**/*.test.ts', 'apps/*/test/**/*.test.ts'],
          exclude: ['apps/web/test/screens/**'],
        },
      },
      {
        extends: true,
        test: {
          name: 'screens',
          include: ['apps/web/test/screens/**/*.test.{ts,tsx}'],
          environment: 'happy-dom',
          // each file has workers of its own, played by functions
          isolate: true,
        },
      },
    ],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    sequence: { sequencer: LongestFirst },
    // modules are read once for each worker, not for each file: tests change nothing that outlives them but files of their own
    isolate: false,
    // as many as the smallest machine that runs them has cores; by default one of two would lie idle
    maxWorkers: 2,
    // the command line's bundle is run as it is, not translated once more
    server: { deps: { external: [/packages\/cli\/dist/] } },
  },
})
