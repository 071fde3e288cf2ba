import { chromium } from "@playwright/test";
import { execSync } from "node:child_process";
const t=()=>performance.now()/1000;
const b=await chromium.launch({executablePath:"/usr/bin/chromium",args:["--no-sandbox","--disable-gpu","--disable-quic","--no-first-run","--disable-background-networking","--disable-component-update","--disable-sync"]});
const base="http://localhost:3300";
const cpu=()=>{ const o=execSync("ps -eo pid,times,cmd | grep -a '[c]hromium/chromium' | awk '{s+=$2} END {print s}'").toString().trim(); return +o; };
const fine=()=>{let s=0; for (const pid of execSync("pgrep -f chromium/chromium").toString().trim().split("\n")) { try { const f=execSync(`cat /proc/${pid}/stat 2>/dev/null`).toString().split(") ")[1].split(" "); s+=(+f[11]+ +f[12])/100; } catch {} } return s;};
const c=await b.newContext({viewport:{width:1280,height:800}});
const p=await c.newPage();
async function run(label, f, wait){ const a=fine(), s=t(); await f(); const d=t()-s; const m=fine(); await p.waitForTimeout(wait); console.log(label.padEnd(26),"ready",d.toFixed(2),"cpu",(m-a).toFixed(2),"cpu after "+wait+"ms",(fine()-a).toFixed(2)); }
await run("blank",()=>p.goto("about:blank"),1000);
await run("/ first",async()=>{await p.goto(base+"/"); await p.getByText("Osmund Drover 09").last().waitFor();},10000);
await run("/ again",async()=>{await p.goto(base+"/"); await p.getByText("Osmund Drover 09").last().waitFor();},10000);
for (const j of ["demo-teal","demo-gannet"]) for (const r of ["bench","bench","complaint","look","loom","waves","close-out"])
await run(r+" "+j,async()=>{await p.goto(base+`/${r}?job=${j}`); await p.locator(r==="bench"?"main[aria-busy=false] [data-hookup]":"main h1, main h2").first().waitFor();},6000);
await run("practice",async()=>{await p.goto(base+`/practice`); await p.locator("main h1").first().waitFor();},4000);
await run("library",async()=>{await p.goto(base+`/library`); await p.locator("main h1").first().waitFor();},4000);
await b.close();
