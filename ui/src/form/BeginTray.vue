<script setup lang="ts">
import { LONGEST_NAME } from '@/api/shared'
import { newKey } from '@/api/keys'
import { useMutation, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import FormDialog from '@/form/FormDialog.vue'
import FormField from '@/form/FormField.vue'
import { NModal } from 'naive-ui'
import RehearseForm from '@/stations/rehearse/RehearseForm.vue'
import type { Asked } from '@/stations/rehearse/rehearsal'

/** Begin what is planned: name it, read the cautions, and it is on the Stove. `start` answers with its address there. */
const props = defineProps<{
  start: (name: string, key: string) => Promise<string>
  suggested: string
  verb: string
  cautions: { title: string; text: string; severity: string }[]
  blocked?: boolean
  rehearse?: Omit<Asked, 'level'>
}>()
const router = useRouter()
const client = useQueryClient()
const naming = ref(false)
const rehearsing = ref(false)
const name = ref('')
const key = ref('')

function ask() {
  name.value = props.suggested.slice(0, LONGEST_NAME)
  key.value = newKey()
  naming.value = true
}
const begin = useMutation({
  mutationFn: () => props.start(name.value.trim(), key.value),
  onSuccess: async (address) => {
    naming.value = false
    await client.invalidateQueries({
      predicate: (q) => ['stove', 'sweet-bases'].includes(String(q.queryKey[0])),
    })
    await router.push(address)
  },
})
</script>

<template>
  <div class="ways">
    <button id="begin" type="button" class="plate begin" :disabled="blocked" @click="ask">
      {{ verb }}
    </button>
    <button
      v-if="rehearse"
      type="button"
      class="touch"
      :disabled="blocked"
      @click="rehearsing = true"
    >
      or rehearse it
    </button>
  </div>
  <NModal v-if="rehearse" v-model:show="rehearsing">
    <RehearseForm :asked="rehearse" @cancel="rehearsing = false" />
  </NModal>
  <NModal v-model:show="naming">
    <FormDialog
      needs="cook"
      title="Before you begin"
      :verb="verb"
      :blocked="!name.trim()"
      :busy="begin.isPending.value"
      :problem="begin.error.value?.message"
      @keep="begin.mutate()"
      @cancel="naming = false"
    >
      <ul>
        <li v-for="c in cautions" :key="c.title" :class="c.severity">
          <b>{{ c.title }}</b> {{ c.text }}
        </li>
      </ul>
      <FormField v-model="name" label="Call it" words />
    </FormDialog>
  </NModal>
</template>

<style scoped>
.ways {
  display: grid;
  gap: 6px;
  justify-items: center;
}
ul {
  display: grid;
  gap: 6px;
  font-size: 17px;
}
.danger b {
  color: var(--madder);
}
</style>
