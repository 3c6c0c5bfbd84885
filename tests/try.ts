import { mixed } from '@tests/reference/mixed-design';
import { differences, shrunk, reported } from '@tests/reference/agree';
const [from,to]=process.argv.slice(2).map(Number);
let bad=0; const t=Date.now(); let n=0;
for (let s=from!;s<to!;s++){ n++;
  const m=mixed(s);
  const d=differences(m);
  if(d.length){ bad++; if(bad<=3){ const small=shrunk(m,(x)=>{try{return differences(x).length>0}catch{return false}}); console.log(reported(small,differences(small)).slice(0,6000)); console.log('-----'); } }
}
console.log('bad',bad,'of',n,(Date.now()-t)/n,'ms each');
