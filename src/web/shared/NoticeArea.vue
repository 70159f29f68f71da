<script setup lang="ts">
import { say } from '../language'
import { dismiss, notices } from './notices'
</script>

<template>
  <div v-if="notices.length > 0" class="notices">
    <div
      v-for="notice in notices"
      :key="notice.id"
      class="notice"
      :class="{ error: notice.isError }"
      :role="notice.isError ? 'alert' : 'status'"
    >
      <span
        ><strong v-if="notice.isError">{{ say('shared.notDone') }}</strong> {{ notice.text
        }}<template v-if="notice.times > 1">{{ ` ${say('shared.times', { times: notice.times })}` }}</template></span
      >
      <button v-if="notice.act" class="plain-button act" @click="(notice.act.run(), dismiss(notice.id))">{{ notice.act.label }}</button>
      <button class="plain-button" :aria-label="say('shared.closeThisMessage')" @click="dismiss(notice.id)">
        {{ say('common.close') }}
      </button>
    </div>
  </div>
</template>

<style scoped>
/* Below all else and in its own place, so that it covers nothing. */
.notices {
  flex: none;
}
.notice {
  background: var(--ink);
  color: var(--paper);
  padding: 2px 8px 2px 20px;
  display: flex;
  align-items: center;
  gap: 8px;
}
.notice + .notice {
  border-top: 1px solid #5d6166;
}
.notice span {
  flex: 1;
  overflow-wrap: anywhere;
}
.notice.error {
  border-left: 8px solid #e08a7d;
}
.act {
  font-weight: 700;
  text-decoration: underline;
}
.plain-button:hover:not(:disabled) {
  background: #3a3d41;
}
</style>
