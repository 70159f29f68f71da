import { BASE_CATALOGUE, socketCount, studCount } from '@core/catalogue'
import { print } from '../console'
import { DONE } from '../exit-codes'
import type { DefineCommand } from './command'

export const defineShapes: DefineCommand = (program, finish) =>
  program
    .command('shapes')
    .description('the catalogue')
    .option('--json', 'as JSON, the only form there is')
    .option('--colours', 'the colours instead')
    .action((values: { readonly colours?: boolean }) => finish(values.colours === true ? colours() : shapes()))

function shapes(): number {
  print(
    [...BASE_CATALOGUE.shapes.values()].map((shape) => ({
      id: shape.id,
      family: shape.family,
      box: shape.box,
      studs: studCount(shape),
      sockets: socketCount(shape),
      mirror: shape.mirror.twin,
    })),
  )
  return DONE
}

function colours(): number {
  print({ colours: [...BASE_CATALOGUE.colours.values()].map(({ id, hex, finish }) => ({ id, hex, finish })) })
  return DONE
}
