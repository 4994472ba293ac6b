import { accept, refuse, type Result } from '../result';

/** Lists of a shop are some hundred kilobytes. */
export const MOST_TEXT_BYTES = 2_000_000;

/** Share of bytes that are zero above which a file without a mark is taken for UTF-16. */
const SIXTEEN = 0.2;

/** Text of a file in UTF-8 or UTF-16, by its byte-order mark or its zeros. Refused: too big, not text. */
export function decodeText(bytes: Uint8Array, fileName: string): Result<string> {
  if (bytes.byteLength > MOST_TEXT_BYTES)
    return refuse('too_big', `${fileName} is larger than 2 MB: take a part of the list.`, 'file');
  const [a, b] = [bytes[0], bytes[1]];
  if (a === 0xff && b === 0xfe) return decoded(bytes, 'utf-16le', fileName);
  if (a === 0xfe && b === 0xff) return decoded(bytes, 'utf-16be', fileName);
  const head = bytes.subarray(0, 2000);
  const zeros = [0, 1].map(
    (parity) => head.filter((value, k) => value === 0 && k % 2 === parity).length / head.length,
  );
  if (zeros[1]! > SIXTEEN && zeros[0]! < 0.02) return decoded(bytes, 'utf-16le', fileName);
  if (zeros[0]! > SIXTEEN && zeros[1]! < 0.02) return decoded(bytes, 'utf-16be', fileName);
  return decoded(bytes, 'utf-8', fileName);
}

function decoded(bytes: Uint8Array, encoding: string, fileName: string): Result<string> {
  const text = new TextDecoder(encoding).decode(bytes).replace(/^\ufeff/, '');
  if (text.includes('\0'))
    return refuse('binary', `${fileName} is not text: choose a .csv, .tsv or .txt file.`, 'file');
  return accept(text);
}
