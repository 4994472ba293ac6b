import type { Role } from '@/core/materials/part';

/** What the parts of a shelf are called, by what they are for. */
export const ROLE_NAMES: Record<Role, string> = {
  sheet: 'Board',
  socket: 'Sockets',
  cord: 'Cord',
  plug: 'Plugs',
  dimmer: 'Dimmers',
  paint: 'Paint',
  cloth: 'Cloth',
  hardware: 'Small things',
  stick: 'Pipe and batten',
  diffusion: 'Layers',
  supply: 'Supplies',
  ballast: 'Ballasts',
  'clamp-lamp': 'Clamp lamps',
  softbox: 'Softboxes',
  round: 'Round things to draw along',
};
