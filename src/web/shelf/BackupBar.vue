<script setup lang="ts">
import { onMounted } from 'vue'
import { plainFault } from '@core/fault'

import { faultText, say, sayCount } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import { download } from '../shared/download'
import { notify } from '../shared/notices'
import { keepForGood, useBackup } from '../stores/backup'
import { useShelf } from '../stores/shelf'

/** Saves everything to one file, and shows what a backup holds before it comes onto the shelf. */
const backup = useBackup()
const shelf = useShelf()
onMounted(() => void backup.load())

async function save(): Promise<void> {
  try {
    const bytes = await backup.make()
    const day = new Date().toISOString().slice(0, 10)
    download(`jump-rail-backup-${day}.zip`, bytes, 'application/zip')
    await backup.markSaved()
    void keepForGood()
  } catch (thrown) {
    notify(say('shelf.theBackupWasNotMade', { fault: faultText(plainFault(thrown)) }), { isError: true })
  }
}
async function putBack(): Promise<void> {
  try {
    const ids = await backup.accept()
    const undo = async (): Promise<void> => {
      for (const id of ids) await shelf.remove(id)
    }
    await shelf.load()
    notify(say('shelf.fromTheBackupStandOn', { models: sayCount('count.models', ids.length) }), {
      act: { label: say('common.undo'), run: () => void undo() },
    })
  } catch (thrown) {
    notify(say('shelf.nothingWasPutOnThe', { fault: faultText(plainFault(thrown)) }), { isError: true })
  }
}
</script>

<template>
  <section class="backup" :aria-label="say('shelf.backup')">
    <p>
      <span role="status">{{ backup.working || backup.ago }}</span>
      <button class="plain-button framed" :disabled="backup.working !== ''" @click="save">{{ say('shelf.saveEverything') }}</button>
    </p>
    <div v-if="backup.found" class="found" role="region" :aria-label="say('shelf.whatTheBackupHolds')">
      <h2>{{ backup.fileName }}</h2>
      <p>
        {{ sayCount('count.models', backup.found.models.length)
        }}<template v-if="backup.found.made">{{ say('shelf.saved', { made: backup.found.made.slice(0, 10) }) }}</template
        ><template v-if="backup.found.names">{{ say('shelf.withYourOwnNames') }}</template
        >{{ say('shelf.theyComeBesideWhatStands') }}
      </p>
      <ul>
        <li v-for="(model, i) in backup.found.models" :key="i">
          {{ model.name }} <span class="faint">{{ sayCount('count.parts', model.parts) }}</span>
        </li>
      </ul>
      <div class="acts">
        <ActionButton primary @click="putBack">{{ say('shelf.putThemOnTheShelf') }}</ActionButton>
        <ActionButton @click="backup.leave()">{{ say('common.leaveIt') }}</ActionButton>
      </div>
    </div>
  </section>
</template>

<style scoped>
.backup > p {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  margin: 0;
  color: var(--faint);
}
.found {
  background: var(--accent-wash);
  padding: 14px 18px;
  max-width: 620px;
  margin-top: 10px;
}
ul {
  margin: 4px 0 12px;
  padding-left: 1.2em;
  max-height: 40vh;
  overflow: auto;
}
li {
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  gap: 10px;
}
</style>
