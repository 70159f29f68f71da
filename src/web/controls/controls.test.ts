import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ActionButton from './ActionButton.vue'
import ChoiceList from './ChoiceList.vue'
import TextArea from './TextArea.vue'
import WorkBar from './WorkBar.vue'

describe('controls', () => {
  it('a button says what it does to ears, and shows its shortcut to eyes', () => {
    const button = mount(ActionButton, { props: { shortcut: 'S', describe: 'Split this step' }, slots: { default: 'Split' } }).get('button')
    expect(button.attributes('aria-label')).toBe('Split this step')
    expect(button.get('kbd').attributes('aria-hidden')).toBe('true')
  })

  it('a list to choose from has a name and takes the choice', async () => {
    const list = mount(ChoiceList, {
      props: {
        label: 'Paper',
        modelValue: 'a4',
        options: [
          { value: 'a4', label: 'A4' },
          { value: 'letter', label: 'Letter' },
        ],
      },
    })
    expect(list.get('label').attributes('for')).toBe(list.get('select').attributes('id'))
    await list.get('select').setValue('letter')
    expect(list.emitted('update:modelValue')).toEqual([['letter']])
  })

  it('a text is handed over once, when the person leaves it, and only if it changed', async () => {
    const area = mount(TextArea, { props: { label: 'Note', value: 'old' } })
    const field = area.get('textarea')
    expect(area.get('label').attributes('for')).toBe(field.attributes('id'))
    await field.trigger('blur')
    expect(area.emitted('commit')).toBeUndefined()
    await field.setValue('new')
    await field.setValue('newer')
    await field.trigger('blur')
    expect(area.emitted('commit')).toEqual([['newer']])
  })

  it('long work has a named bar and can be stopped', async () => {
    const bar = mount(WorkBar, { props: { label: 'Writing the PDF', fraction: 0.416 } })
    expect(bar.get('[role="progressbar"]').attributes('aria-label')).toBe('Writing the PDF')
    expect(bar.text()).toContain('42 %')
    await bar.get('button').trigger('click')
    expect(bar.emitted('stop')).toHaveLength(1)
  })
})
