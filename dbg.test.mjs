import {loadModules} from '/work/main/src/readers/components/load-modules.ts'
import {composer} from '/work/main/src/readers/components/compose.ts'
import {nodeHost} from '/work/main/src/host/node.ts'
import {decisionsIn} from '/work/main/src/core/worlds/world.ts'
const h=nodeHost();
const f=process.argv[2];
const m=await loadModules({entries:[f],shownName:p=>p.split('/').pop(),maxSize:20},h.files);
const c=composer({modules:m.modules,standsFor:new Map()});
for (const x of c.componentsOf(m.modules.get(f))) {
 const t=c.compose(x); console.log(x.name, JSON.stringify(t.tree.children[0].children[0].children,(k,v)=>k==='source'||k==='components'||k=='endTag'?undefined:v instanceof Map?[...v]:v,1)); console.log(decisionsIn(t.tree.children));
}
