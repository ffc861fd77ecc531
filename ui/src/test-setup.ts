import 'fake-indexeddb/auto'
import { config } from '@vue/test-utils'

config.global.stubs = { teleport: true, transition: true }
