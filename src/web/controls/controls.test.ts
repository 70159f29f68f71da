import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { HOLD_TYPED } from '../shared/typed-text'
import ActionButton from './ActionButton.vue'
import ChoiceList from './ChoiceList.vue'
import LineField from './LineField.vue'
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

  it('a text is handed over when the person leaves it, and only if something was typed', async () => {
    const given: string[] = []
    const area = mount(TextArea, { props: { label: 'Note', value: 'old', commit: (text: string) => void given.push(text) } })
    const field = area.get('textarea')
    expect(area.get('label').attributes('for')).toBe(field.attributes('id'))
    await field.trigger('blur')
    expect(given).toEqual([])
    await field.setValue('new')
    await field.setValue('newer')
    await field.trigger('blur')
    await field.trigger('blur')
    expect(given).toEqual(['newer'])
  })

  it('a text is handed over as it is typed, to the one it was typed for, and held until then', async () => {
    vi.useFakeTimers()
    const given: string[] = []
    const held = new Set<() => void>()
    const hold = (handOver: () => void) => (held.add(handOver), () => void held.delete(handOver))
    const to = (name: string) => (text: string) => void given.push(`${name}: ${text}`)
    const area = mount(TextArea, {
      props: { label: 'Note', value: '', commit: to('A 01') },
      global: { provide: { [HOLD_TYPED as symbol]: hold } },
    })
    await area.get('textarea').setValue('Press')
    expect([given.length, held.size]).toEqual([0, 1])
    vi.advanceTimersByTime(1000)
    expect([given, held.size]).toEqual([['A 01: Press'], 0])
    // What comes from outside while somebody types on does not take its place.
    await area.get('textarea').setValue('Press hard')
    await area.setProps({ value: 'Press', commit: to('A 02') })
    expect(area.get('textarea').element.value).toBe('Press hard')
    for (const handOver of [...held]) handOver()
    await area.get('textarea').setValue('gone')
    area.unmount()
    expect(given.slice(1)).toEqual(['A 01: Press hard', 'A 02: gone'])
    vi.useRealTimers()
  })

  it('a text belongs to what it was typed for, also where the field goes on to the next before the pause is over', async () => {
    vi.useFakeTimers()
    const given: string[] = []
    const to = (name: string) => (text: string) => void given.push(`${name}: ${text}`)
    const area = mount(TextArea, { props: { label: 'Note', value: 'one', commit: to('A 01'), subject: 'A 01' } })
    await area.get('textarea').setValue('Press')
    await area.setProps({ value: 'two', commit: to('A 02'), subject: 'A 02' })
    expect(given).toEqual(['A 01: Press'])
    expect(area.get('textarea').element.value).toBe('two')
    // The same words in the next step are its own.
    await area.setProps({ value: 'two', commit: to('A 03'), subject: 'A 03' })
    await area.get('textarea').setValue('two more')
    vi.advanceTimersByTime(1000)
    expect(given).toEqual(['A 01: Press', 'A 03: two more'])
    vi.useRealTimers()
  })

  it('a number is handed over only when its field is left', async () => {
    vi.useFakeTimers()
    const given: string[] = []
    const line = mount(LineField, {
      props: { label: 'Width', type: 'number' as const, value: 5, commit: (text: string) => void given.push(text) },
    })
    await line.get('input').setValue('1')
    // setValue also tells that the field was left.
    expect(given).toEqual(['1'])
    line.get('input').element.value = '15'
    await line.get('input').trigger('input')
    vi.advanceTimersByTime(5000)
    expect(given).toEqual(['1'])
    await line.get('input').trigger('change')
    expect(given).toEqual(['1', '15'])
    vi.useRealTimers()
  })

  it('long work has a named bar and can be stopped', async () => {
    const bar = mount(WorkBar, { props: { label: 'Writing the PDF', fraction: 0.416 } })
    expect(bar.get('[role="progressbar"]').attributes('aria-label')).toBe('Writing the PDF')
    expect(bar.text()).toContain('42 %')
    await bar.get('button').trigger('click')
    expect(bar.emitted('stop')).toHaveLength(1)
  })
})
