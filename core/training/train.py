import json, math, random, sys, time
import numpy as np, torch, torch.nn as nn, torch.nn.functional as F
torch.set_num_threads(2); torch.manual_seed(1); random.seed(1); np.random.seed(1)
OUT=sys.argv[1]; CFG=json.loads(sys.argv[2]) if len(sys.argv)>2 else {}; EPOCHS=float(sys.argv[3]) if len(sys.argv)>3 else 3
TAG=sys.argv[4] if len(sys.argv)>4 else 'model'
def load(name):
    return [json.loads(l) for l in open(f'{OUT}/{name}.jsonl')]
docs=load('documents')
def held(i,d):
    if d['genre']=='sotu': return d['name'][:4].endswith('5') and True
    if d['genre']=='austen': return d['name']=='novel-2'
    if d['genre']=='talks': return hash_(d['name'])%15==0
    if d['genre']=='spoken': return False
    return hash_(d['name'])%12==0
def hash_(s):
    h=0
    for c in s: h=(h*31+ord(c))&0xffffffff
    return h
train=[d for i,d in enumerate(docs) if not held(i,d)]; unseen=[d for i,d in enumerate(docs) if held(i,d)]
dev=load('brown')[::2]
for d in train+unseen+dev: d['words']=d['words'].split(' ')
from collections import Counter
freq=Counter(); sf=Counter()
for d in train:
    for w in d['words']: freq[w]+=1
V=[w for w,c in freq.most_common(CFG.get('V',24000)) if c>=3]
START=CFG.get('start') # an earlier run to go on from, with its words and endings
for w,c in freq.items(): sf[w[-3:]]+=1
S=[s for s,c in sf.most_common(1500) if c>=5]
if START: EARLIER=json.loads(open(f'{OUT}/{START}.bin','rb').readline()); V,S=EARLIER['words'],EARLIER['endings']
vi={w:i+1 for i,w in enumerate(V)}; si={s:i+1 for i,s in enumerate(S)}
# coarse shape: digits, hyphen, apostrophe, length
def shape(w): return (1 if any(c.isdigit() for c in w) else 0)+(2 if '-' in w else 0)+(4 if "'" in w else 0)+ (8 if len(w)<=3 else 0)
BITS=json.load(open(f'{OUT}/lists.json'))
NB=6
# Word classes: the most frequent words are their own, the others are known by their lists and their ending.
OWN=CFG.get('own',400); TOP={w:i for i,w in enumerate(V[:OWN])}
SUF=['s','ed','ing','ly','er','est','ion','ty','al','ous','ive','nt','ble','ss','y']
def suffix(w):
    for i in range(len(SUF)-1,-1,-1):
        if w.endswith(SUF[i]) : return i+1
    return 0
def klass(w): return TOP[w] if w in TOP else OWN+ (BITS.get(w,0)*16+suffix(w))*2+any(c.isdigit() for c in w)
WOWN=CFG.get('wown',5000); WT={w:i for i,w in enumerate(V[:WOWN])}
def wlass(w): return WT[w] if w in WT else WOWN+klass(w)
ROWS=CFG.get('rows',150000)
GRAMS=[('w',(0,1)),('w',(-1,0)),('w',(1,2)),('k',(-1,0,1)),('k',(0,1,2)),('k',(1,2,3)),('k',(-2,-1,0)),('k',(-1,0,1,2)),('k',(0,2)),('k',(-1,1))]
def grams(words):
    n=len(words); K={'k':np.array([klass(w) for w in words],dtype=np.uint32)+np.uint32(2),'w':np.array([wlass(w) for w in words],dtype=np.uint32)+np.uint32(2)}
    out=np.zeros((n,len(GRAMS)),np.int32)
    with np.errstate(over='ignore'):
        for g,(kind,offs) in enumerate(GRAMS):
            h=np.full(n,(g+1)*40503,np.uint32)
            for o in offs:
                x=np.ones(n,np.uint32); a=max(0,-o); b=min(n,n-o); x[a:b]=K[kind][a+o:b+o]
                h=(h^x)*np.uint32(2654435761); h^=h>>np.uint32(15)
            out[:,g]=h%np.uint32(ROWS)
    return out
def enc(d):
    d['v']=np.array([vi.get(w,0) for w in d['words']]); d['s']=np.array([si.get(w[-3:],0) for w in d['words']]); d['h']=np.array([shape(w)+16*BITS.get(w,0) for w in d['words']])
    d['g']=grams(d['words']); d['m']=np.array(d['marks']); d['n']=np.array(d['names']); return d
for d in train+unseen+dev: enc(d)
# Quiet words: after them there is hardly ever a mark, and they are no names; the network is not asked about them.
cnt=Counter(); loud=Counter()
for d in train:
    for w,m,nn_ in zip(d['words'],d['marks'],d['names']):
        cnt[w]+=1
        if m>0 or nn_==1: loud[w]+=1
QUIET=[w for w,c in cnt.items() if c>=100 and loud[w]<.012*c and w in vi]
qset=np.zeros(len(V)+1,bool)
for w in QUIET: qset[vi[w]]=True
print('quiet',len(QUIET),sum(cnt[w] for w in QUIET)/sum(cnt.values()),sum(loud[w] for w in QUIET)/sum(loud.values()))
print('vocab',len(V),len(S),'train words',sum(len(d['v']) for d in train),'unseen',sum(len(d['v']) for d in unseen))
def cat(ds,k): return np.concatenate([d[k] for d in ds])
REST=CFG.get('rest',1) # how often the text is read that is not spoken
def WEIGHT(d): return weight(d)*(1 if d['genre']=='spoken' else REST)
def weight(d):
    if d['genre']=='sotu':
        y=int(d['name'][:4]); return 2 if y>=1945 else .4 if y>=1900 else .15
    return {'moby':.6,'austen':.7,'jargon':1.2,'rust':.7,
            'django':.7,'python':.4,'postgres':.35,'sqlite':.7,'apache':.5,'talks':CFG.get('talks',1),'spoken':CFG.get('spoken',8),'bible':CFG.get('bible',.5)}.get(d['genre'],1.5)
D=CFG.get('D',48);H2=CFG.get('H2',64);HR=CFG.get('HR',64);LW,RW=CFG.get('W',[4,4]);DROP=CFG.get('drop',.25);WDROP=CFG.get('wdrop',.2)
class Embed(nn.Module):
    def __init__(s):
        super().__init__(); s.w=nn.Embedding(len(V)+1,D); s.s=nn.Embedding(len(S)+1,D); s.h=nn.Embedding(16,D); s.k=nn.Embedding(NB,D) 
        for e in (s.w,s.s,s.h,s.k): nn.init.normal_(e.weight,0,.1)
    def forward(s,v,sx,h): bits=((h//16)[...,None]>>torch.arange(NB))&1; return s.w(v)+s.s(sx)+s.h(h%16)+bits.float()@s.k.weight
class Near(nn.Module):
    """Near neighbours, each channel on its own."""
    def __init__(s,h,left,right):
        super().__init__(); s.w=nn.Parameter(torch.randn(left+right+1,h)*.3); s.bias=nn.Parameter(torch.zeros(h)); s.a=left; s.b=right
        with torch.no_grad(): s.w[left]+=.5
    def forward(s,x):
        n=x.shape[1]; p=F.pad(x,(0,0,s.a,s.b)); y=s.bias
        for k in range(s.a+s.b+1): y=y+p[:,k:k+n]*s.w[k]
        return y
class Net(nn.Module):
    def __init__(s):
        super().__init__(); s.e=Embed(); s.q=nn.Parameter(torch.randn(4,D)*.1)
        s.c=Near(D,LW,RW); s.p=nn.Linear(D,H2); s.r=nn.GRU(H2,HR,batch_first=True,bidirectional=True); o=H2+2*HR
        s.wide=nn.Embedding(ROWS,7); nn.init.zeros_(s.wide.weight); s.o=nn.Linear(o,6); s.n=nn.Linear(o,1); s.do=nn.Dropout(DROP); s.do2=nn.Dropout(DROP/2)
    def forward(s,v,sx,h,p,g):
        x=s.e(v,sx,h)+p@s.q
        if s.training: x=F.dropout(x,.1)
        z=F.relu(s.p(s.do(F.relu(s.c(x)))))
        z=torch.cat([z,s.r(z)[0]],-1)
        z=s.do2(z); wd=s.wide(g)
        if s.training: wd=wd*(torch.rand(wd.shape[:-1])>WDROP)[...,None]/(1-WDROP)
        wd=wd.sum(-2); return s.o(z)+wd[...,:6],s.n(z)[...,0]+wd[...,6]
def pauses(m,known,p_end,p_else,rng):
    # per gap: known, pause; features: gap before (2) and after (2)
    end=(m==2)|(m==3); r=rng.random(m.shape); pa=np.where(end,r<p_end,r<p_else)&known
    a=np.stack([known,pa],-1).astype(np.float32); b=np.zeros_like(a); b[...,1:,:]=a[...,:-1,:]
    return np.concatenate([b,a],-1)
L=128
def batches(bs):
    chunks=[]
    for d in train:
        n=len(d['v']); w=WEIGHT(d); k=int(w)+(random.random()<w-int(w))
        for _ in range(k):
            at=-random.randrange(L)
            while at<n:
                chunks.append((d,max(0,at),min(n,at+L))); at+=L
    random.shuffle(chunks)
    rng=np.random.default_rng(random.randrange(1<<30))
    for i in range(0,len(chunks)-bs,bs):
        c=chunks[i:i+bs]; A={k:np.full((bs,L),-1 if k in 'mn' else 0) for k in 'vshmn'}
        for j,(d,a,b) in enumerate(c):
            for k in 'vshmn': A[k][j,:b-a]=d[k][a:b]
        G=np.zeros((bs,L,len(GRAMS)),np.int64)
        for j,(d,a,b) in enumerate(c): G[j,:b-a]=d['g'][a:b]
        M0=A['m'].copy(); q=qset[A['v']]; A['m'][q]=-1; A['n'][q]=-1
        drop=rng.random((bs,L))<CFG.get('unk',.1); A['v'][drop]=0
        mode=rng.integers(0,3,(bs,1)); every=rng.integers(6,17,(bs,1))
        known=np.where(mode==0,False,np.where(mode==1,True,(np.arange(L)[None]+rng.integers(0,16,(bs,1)))%every==0))
        pe=rng.uniform(.5,.9,(bs,1)); px=rng.uniform(.03,.14,(bs,1))
        P=pauses(M0,known,pe,px,rng)
        yield [torch.tensor(A[k]) for k in 'vshmn']+[torch.tensor(P),torch.tensor(G)]
def logits(net,d,pause,seed=7,long=192,context=32):
    n=len(d['v']); rng=np.random.default_rng(seed)
    P=pauses(d['m'],np.full(n,pause),.7,.08,rng)
    net.eval(); starts=list(range(0,n,long)); whole=long+2*context
    def cut(x): return torch.tensor(np.stack([np.concatenate([np.zeros((max(0,context-a),)+x.shape[1:],x.dtype),x[max(0,a-context):a+long+context],np.zeros((max(0,a+long+context-n),)+x.shape[1:],x.dtype)]) for a in starts]))
    with torch.no_grad(): o,q=net(cut(d['v']),cut(d['s']),cut(d['h']),cut(P).float(),cut(d['g'].astype(np.int64)))
    flat=lambda x: x[:,context:context+long].reshape((-1,)+x.shape[2:])[:n]
    pr=torch.softmax(flat(o),-1).numpy(); nm=torch.sigmoid(flat(q)).numpy(); qq=qset[d['v']]; pr[qq]=[1]+[0]*5; nm[qq]=0
    return pr,nm
def prf(p,g):
    tp=(p&g).sum(); return 100*tp/max(1,p.sum()),100*tp/max(1,g.sum()),200*tp/max(1,p.sum()+g.sum())
def evaluate(net,ds,pause):
    R=[logits(net,d,pause) for d in ds]; pr=np.concatenate([r[0] for r in R]); nm=np.concatenate([r[1] for r in R]); m=cat(ds,'m'); n=cat(ds,'n')
    def sweep(score,gold,mask=None):
        return max(((prf((score>t)&(mask if mask is not None else True),gold)+(t,)) for t in np.arange(.1,.9,.04)),key=lambda x:x[2])
    ends={al:sweep(pr[:,2]+pr[:,3]+al*pr[:,4]+al/2*pr[:,5],(m==2)|(m==3)) for al in (0,.3,.6,1)}; al=max(ends,key=lambda a:ends[a][2]); end=pr[:,2]+pr[:,3]+al*pr[:,4]+al/2*pr[:,5]
    e=ends[al]; isend=end>e[3]
    c=sweep(pr[:,1]+.0*pr[:,4],m==1,~isend)
    q=max(((prf((pr[:,3]/(end+1e-9)>t)&isend,m==3)+(t,)) for t in np.arange(.02,.6,.02)),key=lambda x:x[2])
    k=n>=0; nn_=sweep(nm[k],n[k]==1)
    f=lambda x:'%.1f/%.1f=%.1f@%.2f'%x
    return f'end {f(e)} a{al} comma {f(c)} q {f(q)} name {f(nn_)}'
net=Net()
if START: net.load_state_dict(torch.load(f'{OUT}/{START}.pt'))
opt=torch.optim.Adam([{'params':[p for n,p in net.named_parameters() if n!='wide.weight']},{'params':[net.wide.weight],'k':CFG.get('wlr',1)}],lr=CFG.get('lr',3e-3)); print(sum(p.numel() for p in net.parameters()))
bs=CFG.get('bs',32); total=int(EPOCHS*sum(len(d['v'])*WEIGHT(d) for d in train)/L/bs); step=0; t0=time.time(); run=0
ema={k:v.clone() for k,v in net.state_dict().items()}
while step<total:
    for v,s,h,m,n,p,G in batches(bs):
        net.train(); lr=CFG.get('lr',3e-3)*min(1,step/200)*(.5*(1+math.cos(math.pi*min(1,step/total)))+.01)
        for g in opt.param_groups: g['lr']=lr*g.get('k',1)
        o,q=net(v,s,h,p,G); loss=F.cross_entropy(o.reshape(-1,6),m.reshape(-1),ignore_index=-1)
        k=n>=0; loss=loss+.5*F.binary_cross_entropy_with_logits(q[k],n[k].float())
        opt.zero_grad(); loss.backward(); nn.utils.clip_grad_norm_(net.parameters(),1.); opt.step()
        if step%10==0:
            for k,v in net.state_dict().items(): ema[k].mul_(.98).add_(v,alpha=.02)
        run=.99*run+.01*loss.item(); step+=1
        if step%200==0: print(step,total,'%.3f'%(run/(1-.99**step)),'%.0fs'%(time.time()-t0),flush=True)
        if step>=total: break
net.load_state_dict(ema)
torch.save(net.state_dict(),f'{OUT}/{TAG}.pt')
for name,ds in (('unseen',unseen[::3]),('brown dev',dev)):
    for pause in (False,True): print(name,'pause' if pause else 'plain',evaluate(net,ds,pause),flush=True)
def export(net, path):
    """One line of JSON, then each row of each tensor as a scale and signed bytes; layouts as model.ts reads them."""
    sd={k:v.detach().numpy() for k,v in net.state_dict().items()}
    T={'word':sd['e.w.weight'],'ending':sd['e.s.weight'],'shape':sd['e.h.weight'],'lists':sd['e.k.weight'],'pauses':sd['q'],
       'near':sd['c.w'],'nearBias':sd['c.bias'][None],'inner':sd['p.weight'],'innerBias':sd['p.bias'][None],
       'grams':sd['wide.weight'].T,'out':np.concatenate([sd['o.weight'],sd['n.weight']]),'outBias':np.concatenate([sd['o.bias'],sd['n.bias']])[None]}
    for way,end in (('Forward',''),('Backward','_reverse')):
        for name,key in (('From','ih'),('Back','hh')):
            T[f'recur{way}{name}']=sd[f'r.weight_{key}_l0{end}']; T[f'recur{way}{name}Bias']=sd[f'r.bias_{key}_l0{end}'][None]
    head={'sizes':{'embedding':D,'inner':H2,'left':LW,'right':RW,'recurrent':HR,'marks':6,'own':OWN,'ownInWords':WOWN},'words':V,'endings':S,'quiet':sorted(vi[w] for w in QUIET),'filters':json.load(open(f'{OUT}/filters.json')),
          'tensors':[{'name':k,'rows':int(t.shape[0]),'columns':int(t.shape[1])} for k,t in T.items()]}
    with open(path,'wb') as f:
        f.write(json.dumps(head,ensure_ascii=False,separators=(',',':')).encode()+b'\n')
        for t in T.values():
            for row in np.ascontiguousarray(t,dtype=np.float32):
                s=max(abs(row).max()/127,1e-12); f.write(np.float32(s).tobytes()+np.round(row/s).astype(np.int8).tobytes())
        f.write(open(f'{OUT}/filters.bin','rb').read())
export(net,f'{OUT}/{TAG}.bin')
