<script setup lang="ts">
import type { components } from '@/api/schema'

/** Where every part of the milk went, in grams: it closes. */
defineProps<{ answer: components['schemas']['CurdForecastOut'] }>()
</script>

<template>
  <table>
    <thead>
      <tr>
        <th scope="col">g</th>
        <th scope="col">milk</th>
        <th scope="col">chhena</th>
        <th scope="col">whey</th>
        <th scope="col">rinsed off</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="part in [
          'fat',
          'protein',
          'lactose',
          'ash',
          'other',
          'acid',
          'water',
          'total',
        ] as const"
        :key="part"
      >
        <th scope="row">{{ { total: 'all', other: 'other solids' }[part as string] ?? part }}</th>
        <td v-for="b in ['milk', 'curd', 'whey', 'washings'] as const" :key="b">
          {{
            (answer[b][`${part}_kg`] * 1e3).toFixed(['acid', 'ash', 'other'].includes(part) ? 1 : 0)
          }}
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  align-self: start;
}
th,
td {
  padding: 3px 14px 1px 0;
  text-align: right;
  font-weight: 400;
}
tbody th {
  text-align: left;
}
thead th {
  color: var(--ink-soft);
  font-size: 14px;
}
tbody tr {
  border-top: 1px solid var(--ridge);
}
tbody tr:last-child {
  font-weight: 680;
}
</style>
