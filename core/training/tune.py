"""Goes on teaching the network of train.py on the talks of told/, beside as much of what it learned on before: what is not
heard again is forgotten. How to run it: README.md.

python3 tune.py OUT MARKS_BIN NAME all|first|even|odd
Learns on the talks of the first two parts; on the first alone, and prints scores on the second; or on every other talk, so
that something can be learned on top of it from talks it has not heard (teach.ts).
"""
import json, math, sys
import numpy as np, torch, torch.nn as nn
from network import LISTS, LENGTH, Network, batch, chances, coarse, export, imported, loss_of, order, scores, tables_of
from text import Text, Words, is_held_out, read, weight

OUT, MARKS_BIN, NAME, TALKS = sys.argv[1:5]
# Chosen on the second part of the talks. Weights are drawn back a little to where they began; what comes out is the mean of
# several runs and, a quarter of it, of what was there before: it knows more than each.
RATE, EPOCHS, RUNS, DRAWN_BACK, KEPT, UNKNOWN, HIDDEN, BATCH = .0015, 10, 2, .3, .25, .1, .15, 16
torch.set_num_threads(2)

head, known, rest = imported(MARKS_BIN)
rest = rest[:sum(f['bytes'] for f in head['filters'])]
vocabulary = Words(head['words'], head['endings'], json.load(open(f'{OUT}/lists.json')) | json.load(open(f'{OUT}/told-lists.json')))
documents = read(f'{OUT}/told.jsonl')
for d in documents: d['genre'], d['name'] = d['part'], d['number']
numbers = sorted({d['number'] for d in documents if d['part'] != 'measured'})
is_learned = {'all': lambda d: d['part'] != 'measured', 'first': lambda d: d['part'] == 'written on',
              'even': lambda d: d['part'] != 'measured' and numbers.index(d['number']) % 2 == 0,
              'odd': lambda d: d['part'] != 'measured' and numbers.index(d['number']) % 2 == 1}[TALKS]
text = Text([d for d in documents if is_learned(d)], vocabulary)
prose = [d for d in read(f'{OUT}/documents.jsonl') if d['genre'] != 'spoken']
unseen, prose = Text([d for d in prose if is_held_out(d)], vocabulary), Text([d for d in prose if not is_held_out(d)], vocabulary)


class Embedding(nn.Module):
    """What the file knows of a word."""
    def __init__(self):
        super().__init__()
        table = lambda name: nn.Embedding.from_pretrained(torch.tensor(known[name]), freeze=False)
        self.word, self.ending, self.shape, self.lists = (table(name) for name in ('word', 'ending', 'shape', 'lists'))
        self.pauses = nn.Parameter(torch.tensor(known['pauses']))

    def forward(self, number, ending, form, pause):
        word = coarse(self.word(number))
        if self.training: word = word * (torch.rand(number.shape) > UNKNOWN)[..., None]
        bits = ((form // 16)[..., None] >> torch.arange(LISTS)) & 1
        return word + self.ending(ending) + self.shape(form % 16) + bits.float() @ self.lists.weight + pause @ self.pauses


def started():
    net = Network(Embedding(), HIDDEN, HIDDEN)
    state = net.state_dict()
    outputs = len(state['last.bias'])
    state |= {'first.weight': known['first'], 'first.bias': known['firstBias'][0], 'runs.weight': known['grams'].T,
              'last.weight': known['last'][:outputs], 'last.bias': known['lastBias'][0][:outputs]}
    for i in range(len(net.blocks)):
        state |= {f'blocks.{i}.near': known[f'near{i}'], f'blocks.{i}.near_bias': known[f'near{i}Bias'][0],
                  f'blocks.{i}.layer.weight': known[f'layer{i}'], f'blocks.{i}.layer.bias': known[f'layer{i}Bias'][0]}
    net.load_state_dict({k: torch.as_tensor(np.ascontiguousarray(v)) for k, v in state.items()})
    return net


def tuned(seed):
    torch.manual_seed(seed); rng = np.random.default_rng(seed)
    net = started()
    start = {k: v.clone() for k, v in net.named_parameters()}
    optimizer = torch.optim.AdamW(net.parameters(), lr=RATE, weight_decay=0)
    steps, step = EPOCHS * sum(text.lengths) / LENGTH / BATCH, 0
    again = order(prose, np.array([weight(*of) for of in prose.of]), rng)
    for epoch in range(EPOCHS):
        starts, of = order(text, np.ones(len(text.lengths)), rng)
        for i in range(0, len(starts), BATCH):
            talk = batch(text, starts[i:i + BATCH], of[i:i + BATCH], rng)
            here = slice(step * BATCH, (step + 1) * BATCH)
            number, ending, form, pause, runs, marks, names = (torch.cat(both) for both in zip(talk, batch(prose, again[0][here], again[1][here], rng)))
            rate = RATE * min(1, (step + 1) / 50) * (.5 * (1 + math.cos(math.pi * min(1, step / steps))) + .02)
            for group in optimizer.param_groups: group['lr'] = rate
            net.train()
            loss = loss_of(net(number, ending, form, pause, runs), marks, names)
            optimizer.zero_grad(); loss.backward(); nn.utils.clip_grad_norm_(net.parameters(), 1.); optimizer.step(); step += 1
            with torch.no_grad():
                for k, v in net.named_parameters(): v.add_(start[k] - v, alpha=DRAWN_BACK * rate)
        print(seed, epoch, 'loss %.3f' % loss.item(), flush=True)
    return net.state_dict()


states = [tuned(seed) for seed in range(RUNS)]
net = started()
mean = {k: KEPT * v + (1 - KEPT) * sum(s[k] for s in states) / RUNS for k, v in net.state_dict().items()}
if TALKS == 'first':
    chosen = Text([d for d in documents if d['part'] == 'chosen on' and d['kind'] == 'said'], vocabulary)
    for what, state in [('before', net.state_dict())] + [('one run', s) for s in states] + [('mean', mean)]:
        net.load_state_dict(state)
        for name, of in (('talk', chosen), ('prose', unseen)): print(what, name, scores(*chances(net, of, False)), flush=True)
net.load_state_dict(mean)
head.pop('told', None)
export(f'{OUT}/{NAME}.bin', head, tables_of(net, net.embedding.word.weight), rest)
