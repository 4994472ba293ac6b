/** One plain word each, explained as to a friend at the bench. Terms of the trade, and those of this tool. */
export const GLOSSARY: Readonly<Record<string, string>> = {
  'Light at subject':
    'Lux: how much light falls where your subject stands. A reading lamp gives some 500 lx on the page, a street lamp 10.',
  'Stops to target':
    'One stop is twice (+) or half (−) the light. 0 is what the camera needs with the ISO, f-number and shutter of the shot.',
  Softness:
    'How large the light stands in the subject’s eye, in degrees. The wider, the softer the shadow’s edge; the moon is half a degree, a window beside you 70°.',
  Evenness:
    'How far the brightest and the darkest place of the lit area lie apart: ± half of it, in stops.',
  Colour: 'Colour temperature in kelvin: 2700 K is a warm bulb, 5600 K is daylight.',
  Flicker:
    'Lamps on the mains pulse 100 or 120 times a second. A shutter that catches whole pulses sees none of it.',
  Power: 'Watts all lamps take together, and the amperes that makes on the circuit.',
  Heat: 'Watts that end as warmth in and round the light, and how near that comes to what burns.',
  'Cost now / full':
    'Now: what you still have to buy. Full: what it would cost with an empty cupboard.',
  Ladder: 'The nine figures on the right. They are always the same, in every station.',
  Rung: 'One figure of the ladder. Press it for its working.',
  Working:
    'How a figure came about: the formula with its numbers, where each came from, and what would change it most.',
  Finding:
    'Something a check has to say. A stop shuts the power-up gate, a look wants your eyes, unknown is not decided yet.',
  Kept: 'Every change is stored on this machine at once; there is nothing to save.',
  Print:
    'What a tick was given for. Change the design, and the steps that depend on the change ask to be looked at again.',
  Mouth: 'The opening light comes out of: the front of a box, the cloth, the hole of a pan.',
  Fills: 'The angle the light fills, seen from the subject: its softness.',
  'Fall-off':
    'How quickly the light gets weaker as one steps back. Twice the distance is two stops for a small lamp, less for a large one.',
  Lumen: 'All the light a lamp sends out, whichever way. Its box prints it.',
  klm: 'A thousand lumens. Money per klm compares lamps of any size.',
  CRI: 'Colour rendering, Ra: how true colours look, up to 100. Faces want 90 or more.',
  Mired:
    'A million over the kelvins. Differences of colour look the same size anywhere on this scale; 25 is just seen side by side.',
  'Δ mired': 'How much warmer (+) or colder (−) than the shot. 25 is just seen side by side.',
  'Meter constant, lx·s':
    'C of the incident-light equation of ISO 2720: 250 for a flat receptor, 320 to 340 for a dome. It is how your meter was made.',
  'Shutter angle, °': '180° at 25 frames a second is 1/50 s: half of each frame’s time.',
  'Lets through': 'τ: the share of light that passes a layer.',
  'Colour shift, mired': 'How much warmer (+) a layer makes what passes it.',
  'Tail to the plug': 'The cord from the light to the wall, beside the wires inside.',
  Layer: 'Cloth, paper or film in front of the lamps that spreads their light.',
  Catchlight: 'The light’s own picture in an eye.',
  Feed: 'Where a tape gets its current. Long tapes want several, or they dim towards the end.',
  Gate: 'What has to be right and looked at before power goes on for the first time.',
  'Power factor':
    'Watts over volts times amperes. Cheap drivers have 0.5 and load a circuit as if they were twice as strong.',
  Kerf: 'What a saw’s blade turns into dust.',
  'Off-cut': 'What is left of a board or pipe, and is used before new stock is cut.',
  Setup: 'Several lights in one room.',
  'Beam angle': 'Between the directions where a lamp gives half of what it gives straight ahead.',
};

const folded = new Map(
  Object.entries(GLOSSARY).map(([term, words]) => [term.toLowerCase(), words]),
);

/** What a label means, when it is one of the glossary's terms. */
export const meaningOf = (label: string): string | null => folded.get(label.toLowerCase()) ?? null;
