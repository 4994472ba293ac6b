/** Stations in working order. Numbers are their places on the keyboard, which never move. */
export const STATIONS = [
  { id: 'shot', name: 'Shot', key: '1', question: 'What is lit, how bright, how soft?' },
  { id: 'shelf', name: 'Shelf', key: '2', question: 'Which units and materials?' },
  { id: 'build', name: 'Build', key: '3', question: 'What size, how many, where?' },
  { id: 'glow', name: 'Glow', key: '4', question: 'What light comes out?' },
  { id: 'wire', name: 'Wire', key: '5', question: 'Will cable, plastic and people stay whole?' },
  { id: 'cut', name: 'Cut & buy', key: '6', question: 'What is cut, bought and spent?' },
  { id: 'make', name: 'Make', key: '7', question: 'What is done next, and is it right?' },
  { id: 'meter', name: 'Meter', key: '8', question: 'What does it really do?' },
  { id: 'verdict', name: 'Verdict', key: '9', question: 'Is it worth it?' },
  { id: 'set', name: 'Set', key: '0', question: 'How do the lights stand together?' },
] as const;

export type StationId = (typeof STATIONS)[number]['id'];

export const stationName = (id: StationId): string =>
  STATIONS.find((station) => station.id === id)!.name;
