import { writeStock } from './stock'

/** Small files that show how books are written; the program reads them. */
export const EXAMPLE_STOCK = writeStock([
  { shape: 'brick-2x4', colour: 'red', count: 24 },
  { shape: 'plate-1x2', colour: 'ash', count: 60 },
  { shape: 'tube', colour: 'black', count: 3, lengthMm: 80 },
])

export const EXAMPLE_KITS = JSON.stringify(
  {
    format: 'jump-rail-kits',
    version: 1,
    kits: [
      {
        id: 'yard',
        name: 'Yard box',
        pieces: [
          { shape: 'brick-2x4', colour: 'red', count: 10 },
          { shape: 'plate-1x2', colour: 'ash', count: 12 },
        ],
      },
    ],
  },
  null,
  1,
)

export const EXAMPLE_OFFERS = JSON.stringify(
  {
    format: 'jump-rail-offers',
    version: 1,
    currency: 'EUR',
    date: '2026-11-01',
    suppliers: [
      {
        id: 'corner',
        name: 'Corner counter',
        shipping: 3.5,
        freeFrom: 40,
        minimum: 5,
        offers: [
          { shape: 'brick-2x4', colour: 'red', price: 0.14, available: 200 },
          { shape: 'plate-1x2', colour: 'ash', price: 0.05, lot: 10 },
          { shape: 'tube', colour: 'black', price: 1.2, perMetre: true },
        ],
        kits: [{ id: 'yard', price: 9.9, available: 3 }],
      },
    ],
  },
  null,
  1,
)
