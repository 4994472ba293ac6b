export interface Flammable {
  name: string;
  burns: 'wood' | 'foam' | 'cloth' | 'film';
  distanceM: number;
  ref: string;
  /** parameter that moves it away */
  field: string;
  /** that parameter's value, when raising it adds to the distance metre for metre */
  raiseFromM: number | null;
}

/** A case that keeps its lamps' heat in. */
export interface Enclosure {
  /** outside surface that gives the heat off */
  areaM2: number;
  /** shut all round, or with a mouth closed by layers */
  closed: boolean;
  /** lowest softening or scorching limit among its walls and layers; null when unknown */
  limitC: number | null;
  ref: string;
  field: string;
}
