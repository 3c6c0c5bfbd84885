import { mixed } from '@tests/reference/mixed-design';
import { monthDifferences, shrunk, reported } from '@tests/reference/agree';
const [from,to,h]=process.argv.slice(2).map(Number);
let bad=0; const t=Date.now(); let n=0;
for (let s=from!;s<to!;s++){ n++;
  const m=mixed(s);
  const d=monthDifferences(m,h!);
  if(d.length){ bad++; if(bad<=3){ const small=shrunk(m,(x)=>{try{return monthDifferences(x,h!).length>0}catch{return false}}); console.log(reported(small,monthDifferences(small,h!)).slice(0,5000)); console.log('-----'); } }
}
console.log('bad',bad,'of',n,(Date.now()-t)/n,'ms each');
