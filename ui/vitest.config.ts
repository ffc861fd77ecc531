import { configDefaults, defineConfig, mergeConfig } from 'vitest/config'
import base from './vite.config.ts'

/** They put something else in the place of a module, or look at what one keeps: each has a world of its own. */
const APART = [
  'src/api/outbox.test.ts',
  'src/api/stream.test.ts',
  'src/sentence/words.test.ts',
  'src/shell/nudging.test.ts',
  'src/stations/stove/LogDialog.test.ts',
  'src/stations/stove/logging.test.ts',
]

export default mergeConfig(
  base,
  defineConfig({
    test: {
      environment: 'happy-dom',
      setupFiles: ['src/test-setup.ts'],
      restoreMocks: true,
      maxWorkers: 2, // one fewer than the cores is one
      projects: [
        {
          extends: true,
          test: {
            name: 'together',
            include: ['src/**/*.test.ts'],
            exclude: [...configDefaults.exclude, ...APART],
            isolate: false,
          },
        },
        { extends: true, test: { name: 'apart', include: APART } },
      ],
    },
  }),
)
