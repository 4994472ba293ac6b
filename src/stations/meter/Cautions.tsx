const HOT = {
  led: null,
  filament:
    'It burns paper and skin: no paper, card or cloth under or beside it; mark the angles on tile or sheet metal. Ten minutes to cool before anybody touches it.',
  layer:
    'Take an LED lamp. A filament or halogen lamp sets a layer on fire at this distance, while nobody looks.',
} as const;

/** What can hurt whoever meters a lit lamp on a table, and what burns. */
export const Cautions = ({ about }: { about: keyof typeof HOT }) => (
  <div className="border-l-4 border-look pl-2 text-[13.5px]" data-cautions={about}>
    <p>
      In a holder with covered terminals, on an outlet with RCD (GFCI); unplug it before you turn or
      change it. Do not look into it, and do not leave it lit alone.
    </p>
    {HOT[about] && <p className="mt-1 font-semibold">{HOT[about]}</p>}
  </div>
);
