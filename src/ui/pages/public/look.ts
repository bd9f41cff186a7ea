/** How public pages look: the colours and letters of the house, in light and dark, on a phone first. */
export const LOOK = `
@font-face{font-family:"Figtree Variable";font-weight:300 900;font-display:swap;src:url(/visit/figtree.woff2) format("woff2")}
@font-face{font-family:"Bricolage Grotesque Variable";font-weight:200 800;font-display:swap;src:url(/visit/bricolage.woff2) format("woff2")}
:root{--paper:#fbfaf7;--surface:#fff;--ink:#14171c;--soft:#5b6470;--line:#d9d6ce;--hair:#efede7;--teal:#0b6b7f;--wash:#e6f1f2;--copper:#a84c16;--leaf:#2f6b41;--violet:#3b3f91;color-scheme:light}
@media(prefers-color-scheme:dark){:root{--paper:#101317;--surface:#181c22;--ink:#eceef1;--soft:#a2abb8;--line:#3a424d;--hair:#222830;--teal:#57b6c9;--wash:#16313a;--copper:#eb9a63;--leaf:#8fcf9f;--violet:#a3a7ee;color-scheme:dark}}
*{box-sizing:border-box}
body{margin:0;background:var(--paper);color:var(--ink);font:16px/24px "Figtree Variable",system-ui,sans-serif;-webkit-font-smoothing:antialiased}
h1,h2{font-family:"Bricolage Grotesque Variable",system-ui,sans-serif;font-weight:650;margin:0;letter-spacing:-.01em}
h1{font-size:34px;line-height:40px}h2{font-size:20px;line-height:26px}
p{margin:8px 0}a{color:var(--teal)}
.wrap{max-width:640px;margin:0 auto;padding:24px 20px 48px}
.wide{max-width:1120px}
.house{font-weight:650;color:var(--soft);margin:0 0 18px}
.soft{color:var(--soft)}.small{font-size:14px;line-height:20px}
.picture{width:100%;border-radius:6px;display:block;margin:16px 0}
.field{margin:14px 0}.field>label,.legend{display:block;font-weight:600;margin-bottom:4px}
input[type=text],input[type=tel],input[type=email],textarea,select{width:100%;font:inherit;color:inherit;background:var(--surface);border:1px solid #8a8f96;border-radius:6px;padding:10px 12px;min-height:46px}
textarea{min-height:96px;resize:vertical}
input:focus-visible,textarea:focus-visible,select:focus-visible,button:focus-visible,a:focus-visible{outline:2px solid var(--teal);outline-offset:2px}
[aria-invalid=true]{border-color:var(--copper)}
.error{display:block;color:var(--copper);font-weight:600;font-size:14px;margin-top:4px}
.tick{display:flex;gap:10px;align-items:flex-start;margin:12px 0;font-size:14px;line-height:20px}
.tick input{width:20px;height:20px;margin:0;flex:none;accent-color:var(--teal)}
.ways{display:flex;gap:18px;flex-wrap:wrap}.ways label{display:flex;gap:8px;align-items:center;min-height:32px}
.ways input{width:20px;height:20px;accent-color:var(--teal)}
.go{font:inherit;font-weight:650;background:var(--ink);color:var(--paper);border:0;border-radius:6px;padding:12px 22px;min-height:48px;cursor:pointer}
.go.quiet{background:none;color:var(--ink);border:1px solid var(--line)}
.said{border-left:3px solid var(--leaf);background:var(--wash);padding:14px 16px;border-radius:0 6px 6px 0;font-size:18px}
.wrong{border-left:3px solid var(--copper);background:var(--hair);padding:10px 14px;border-radius:0 6px 6px 0}
.trap{position:absolute;left:-9999px;width:1px;height:1px;overflow:hidden}
.agent{display:flex;gap:14px;align-items:center;border-top:1px solid var(--line);border-bottom:1px solid var(--line);padding:14px 0;margin:20px 0}
.face{object-fit:cover;width:52px;height:52px;border-radius:50%;background:var(--violet);color:var(--paper);display:grid;place-items:center;font-weight:650;flex:none}
.foot{border-top:1px solid var(--line);margin-top:32px;padding-top:14px;color:var(--soft);font-size:13px;line-height:19px;white-space:pre-line}
.text{white-space:pre-line}
.home svg{width:100%;height:auto;display:block;border-radius:6px}
.listing{display:grid;grid-template-columns:minmax(110px,200px) minmax(0,1fr);gap:18px;align-items:center;margin:18px 0}
.homes{display:grid;grid-template-columns:repeat(auto-fill,minmax(240px,1fr));gap:24px 20px;padding:0;list-style:none;margin:18px 0}
.homes a{color:inherit;text-decoration:none;display:block}.homes a:hover b{text-decoration:underline}
.asks{display:flex;flex-wrap:wrap;gap:10px;align-items:end;margin:16px 0}
.asks label{font-size:13px;color:var(--soft)}.asks select,.asks input{display:block;min-height:40px;padding:6px 10px;width:auto;max-width:170px;color:var(--ink)}
.asks .tick{margin:0;min-height:40px;align-items:center}
.asks .go{min-height:40px;padding:6px 16px}
.cover{border-radius:6px;overflow:hidden}.cover svg{display:block;width:100%;height:min(26vw,280px)}
.tag{display:inline-block;background:var(--wash);border-radius:4px;padding:1px 8px;font-size:13px}
.map{height:340px;margin:0 0 8px}.found .beside:empty{display:none}
@media(min-width:960px){.found{display:grid;grid-template-columns:minmax(0,1fr) 400px;gap:28px;align-items:start}.found .map{height:540px}.found .beside{position:sticky;top:16px}.found:has(.map[hidden]){grid-template-columns:1fr}}
.line{display:flex;gap:12px;align-items:center;flex-wrap:wrap}
.tablet .wrap{max-width:720px}.tablet h1{font-size:44px;line-height:50px}.tablet input[type=text],.tablet input[type=tel],.tablet input[type=email]{min-height:56px;font-size:20px}.tablet .go{min-height:60px;font-size:20px;width:100%}
@media(min-width:700px){.tablet form{display:grid;grid-template-columns:1fr 1fr;column-gap:18px}.tablet form>*{grid-column:1/-1}.tablet form>div.field{grid-column:auto}}
.tablet form[hidden]{display:none}
.net{position:fixed;right:14px;bottom:12px;font-size:13px;color:var(--soft);background:var(--paper);padding:2px 8px;border-radius:4px}
@media(prefers-reduced-motion:no-preference){.said{animation:in .12s}}@keyframes in{from{opacity:0}}
`;
