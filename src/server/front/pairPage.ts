import { escaped } from './html';

/** Colours are those of the bench (app/globals.css); this page stands before anything of the application is handed out. */
const STYLE = `
  :root { color-scheme: light; }
  body { margin: 0; min-height: 100dvh; display: grid; place-items: center; background: #f3ecde; color: #2a2218; font: 18px/1.45 system-ui, sans-serif; }
  main { width: min(26rem, 100% - 2.5rem); padding: 1.5rem 0 2.5rem; }
  h1 { font-size: 1.6rem; line-height: 1.15; margin: 0 0 .6rem; }
  p { margin: 0 0 1rem; }
  label { display: block; margin: 1.1rem 0 .3rem; font-weight: 600; }
  input { width: 100%; box-sizing: border-box; font: inherit; padding: .65rem .7rem; border: 1px solid #8d7c60; border-radius: 3px; background: #fffdf7; color: inherit; }
  #code { font-family: ui-monospace, monospace; font-size: 1.5rem; letter-spacing: .12em; text-transform: uppercase; }
  button { margin-top: 1.4rem; width: 100%; font: inherit; font-weight: 600; padding: .75rem; border: 0; border-radius: 3px; background: #76540d; color: #fffdf7; }
  :focus-visible { outline: 3px solid #b98a2e; outline-offset: 2px; }
  .wrong { border-left: 4px solid #a2231a; background: #f6d9d2; padding: .6rem .8rem; }
  .soft { margin-top: 1.2rem; color: #5d5140; font-size: .92rem; }
`;

interface PairPage {
  /** makes the style of this page the only one its policy lets through */
  nonce: string;
  code: string;
  name: string;
  wrong: string | null;
  encrypted: boolean;
}

/** Where a device that is not let in types its code. */
export const pairPage = ({
  nonce,
  code,
  name,
  wrong,
  encrypted,
}: PairPage): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Come to the bench · Lantern Jar</title>
<style nonce="${nonce}">${STYLE}</style>
</head>
<body>
<main>
<h1>Come to the bench</h1>
<p>This is Lantern Jar on another computer. Whoever works there can show you a code of eight letters and figures.</p>
${wrong ? `<p class="wrong" role="alert">${escaped(wrong)}</p>` : ''}
<form method="post" action="/pair">
<label for="code">Code</label>
<input id="code" name="code" required maxlength="20" autocomplete="off" autocapitalize="characters" spellcheck="false" value="${escaped(code)}"${code ? '' : ' autofocus'}>
<label for="name">What to call this device</label>
<input id="name" name="name" required maxlength="60" autocomplete="off" placeholder="Ines’s phone" value="${escaped(name)}"${code ? ' autofocus' : ''}>
<button>Let me in</button>
</form>
<p class="soft">The name stands beside what you do here. ${encrypted ? 'The connection is encrypted.' : 'The connection is not encrypted: anybody in this network who listens can read along. Use it in a network you trust.'}</p>
</main>
</body>
</html>
`;
