"""Trains the network for marks and writes it as model.ts reads it. How to run it: README.md.

python3 train.py OUT VECTORS MINUTES NAME [START]
START is the name of an earlier run to go on from: more is hidden from it then, it hears more talk, and what comes out is
the mean of both runs, which knows more than either.
"""
import json, math, sys, time
import numpy as np, torch, torch.nn as nn, torch.nn.functional as F
from text import OWN, OWN_IN_WORDS, RUNS, Text, Vocabulary, is_held_out, pauses, read

OUT, VECTORS, MINUTES, NAME = sys.argv[1], sys.argv[2], float(sys.argv[3]), sys.argv[4]
START = sys.argv[5] if len(sys.argv) > 5 else None
RATE, SPOKEN, DRAWN = (.0015, 14, .6) if START else (.004, 10, .3)
# How often a word is unknown, or known by its published vector alone, and what is hidden before the first and the last layer.
UNKNOWN, PUBLISHED, HIDDEN_FIRST, HIDDEN_LAST = (.08, .3, .15, .15) if START else (.04, .1, .08, .1)
EMBEDDING, WIDTH, ROWS, LISTS, MARKS = 64, 112, 150_000, 6, 6
# How many neighbours before and after a word, and how far apart.
BLOCKS = [(3, 4, 1), (2, 2, 1), (2, 2, 2), (2, 2, 4), (2, 2, 8), (2, 2, 1)]
LENGTH, BATCH = 144, 64
torch.set_num_threads(2); torch.manual_seed(1); rng = np.random.default_rng(1)

documents = read(f'{OUT}/documents.jsonl') + read(f'{OUT}/drawn.jsonl')
trained = [d for d in documents if not is_held_out(d)]
vocabulary = Vocabulary(trained, VECTORS, json.load(open(f'{OUT}/lists.json')))
text, unseen, other = Text(trained, vocabulary), Text([d for d in documents if is_held_out(d)], vocabulary), Text(read(f'{OUT}/brown.jsonl'), vocabulary)
print('words', len(text.words), 'known by themselves', len(vocabulary.words), 'unknown elsewhere %.3f' % (other.words[:, 0] == 0).mean())


class Embedding(nn.Module):
    """What is known of a word: the published vector turned, what was learnt beside it, its ending, shape, lists, pauses."""
    def __init__(self):
        super().__init__()
        vectors = torch.tensor(vocabulary.vectors)
        self.register_buffer('published', vectors / vectors[vectors.abs().sum(1) > 0].std(), persistent=False)
        self.register_buffer('is_rare', torch.tensor(vocabulary.counts < 8), persistent=False)
        self.turn = nn.Linear(100, EMBEDDING, bias=False)
        self.own = nn.Embedding(len(vectors), EMBEDDING)
        self.ending, self.shape, self.lists = (nn.Embedding(n, EMBEDDING) for n in (len(vocabulary.endings) + 1, 16, LISTS))
        self.pauses = nn.Parameter(torch.randn(4, EMBEDDING) * .1)
        self.is_coarse = False  # whether words are counted in the 4 bits they are shipped in
        nn.init.normal_(self.turn.weight, 0, .03); nn.init.zeros_(self.own.weight)
        for table in (self.ending, self.shape, self.lists): nn.init.normal_(table.weight, 0, .1)

    def forward(self, number, ending, form, pause):
        own, published = self.own(number) * (~self.is_rare[number])[..., None], self.turn(self.published[number])
        if self.training:  # a word is now and then unknown, or known by its published vector alone
            luck = torch.rand(number.shape)[..., None]
            own, published = own * (luck > PUBLISHED), published * (luck > UNKNOWN)
        word = own + published
        if self.is_coarse:
            step = word.abs().amax(-1, keepdim=True) / 7 + 1e-9
            word = word + ((word / step).round() * step - word).detach()
        bits = ((form // 16)[..., None] >> torch.arange(LISTS)) & 1
        return word + self.ending(ending) + self.shape(form % 16) + bits.float() @ self.lists.weight + pause @ self.pauses

    def table(self):
        return self.own.weight * (~self.is_rare)[:, None] + self.turn(self.published)


class Block(nn.Module):
    def __init__(self, before, after, step):
        super().__init__()
        neighbours = before + 1 + after
        self.near = nn.Parameter(torch.randn(neighbours, WIDTH) * (.5 / math.sqrt(neighbours)))
        self.near_bias, self.layer = nn.Parameter(torch.zeros(WIDTH)), nn.Linear(WIDTH, WIDTH)
        self.before, self.after, self.step = before * step, after * step, step
        with torch.no_grad(): self.near[before] += .6

    def forward(self, x):
        padded = F.pad(x, (0, 0, self.before, self.after)).transpose(1, 2)[:, :, None]
        heard = F.conv2d(padded, self.near.T[:, None, None], self.near_bias, dilation=(1, self.step), groups=WIDTH)[:, :, 0].transpose(1, 2)
        return x + self.layer(F.relu(heard))


class Network(nn.Module):
    def __init__(self):
        super().__init__()
        self.embedding, self.first, self.blocks = Embedding(), nn.Linear(EMBEDDING, WIDTH), nn.ModuleList(Block(*b) for b in BLOCKS)
        self.last, self.runs = nn.Linear(WIDTH, MARKS + 1), nn.Embedding(ROWS, MARKS + 1)
        nn.init.zeros_(self.runs.weight)

    def forward(self, number, ending, form, pause, runs):
        x = self.embedding(number, ending, form, pause)
        x = self.first(F.dropout(x, HIDDEN_FIRST, self.training))
        for block in self.blocks: x = block(x)
        said = self.runs(runs)
        if self.training: said = said * (torch.rand(said.shape[:-1]) > .2)[..., None] / .8
        return self.last(F.dropout(x, HIDDEN_LAST, self.training)) + said.sum(-2)


def weight(genre, name):
    """How often a document is read: what is plain, modern and spoken oftener, manuals and old books seldomer."""
    if genre == 'spoken': return SPOKEN
    if genre == 'sotu': return 2 if int(name[:4]) >= 1945 else .6 if int(name[:4]) >= 1900 else .2
    return {'moby': .6, 'austen': .6, 'jargon': 1.2, 'rust': .6, 'django': .6, 'python': .4, 'postgres': .35, 'sqlite': .7,
            'apache': .5, 'talks': 1, 'bible': .4, 'drawn': DRAWN}.get(genre, 1.5)


def batches():
    """Windows of varied start, over and over, each with pauses unknown, all known, or known between cues alone."""
    weights = np.array([weight(*of) for of in text.of])
    while True:
        starts, of = [], []
        for d, length in enumerate(text.lengths):
            for _ in range(int(weights[d]) + (rng.random() < weights[d] % 1)):
                at = np.arange(-rng.integers(0, LENGTH), length, LENGTH)
                starts.append(at + text.begins[d]); of.append(np.full(len(at), d))
        starts, of = np.concatenate(starts), np.concatenate(of)
        order = rng.permutation(len(starts))
        for i in range(0, len(order) - BATCH, BATCH):
            pick = order[i:i + BATCH]
            number, ending, form, marks, names, runs, _ = text.windows(starts[pick], of[pick], LENGTH, ROWS)
            mode, cue = rng.integers(0, 3, (BATCH, 1)), rng.integers(6, 17, (BATCH, 1))
            between = (np.arange(LENGTH)[None] + rng.integers(0, 16, (BATCH, 1))) % cue == 0
            known = np.broadcast_to((mode == 1) | ((mode == 2) & between), marks.shape)
            pause = pauses(marks, known, rng.uniform(.5, .9, (BATCH, 1)), rng.uniform(.03, .14, (BATCH, 1)), rng)
            yield [torch.from_numpy(np.ascontiguousarray(x)) for x in (number, ending, form, pause, runs, marks, names)]


def loss_of(out, marks, names):
    chance, marks = F.log_softmax(out[..., :MARKS], -1).reshape(-1, MARKS), marks.reshape(-1)
    known = -chance.gather(1, marks.clamp(0, MARKS - 1)[:, None])[:, 0] * ((marks >= 0) & (marks < MARKS))
    # Of drawn sentences it is only known where they end.
    drawn = -torch.logsumexp(chance[:, 2:4], -1) * (marks == 6) - torch.logsumexp(chance[:, [0, 1, 4, 5]], -1) * (marks == 7)
    is_name = names >= 0
    return (known + .6 * drawn).sum() / (marks >= 0).sum() + .5 * F.binary_cross_entropy_with_logits(out[..., MARKS][is_name], names[is_name].float())


def chances(net, of, with_pauses, long=256, context=48):
    """The chances of the marks and of a name for all words of some documents, with the marks and names there are."""
    net.eval(); rows = []
    for d, length in enumerate(of.lengths):
        random, begin = np.random.default_rng(d), of.begins[d]
        starts = np.arange(0, length, long) + begin - context
        number, ending, form, marks, _, runs, inside = of.windows(starts, np.full(len(starts), d), long + 2 * context, ROWS)
        pause = pauses(marks, inside & with_pauses, .7, .08, random)
        with torch.no_grad(): out = net(*(torch.from_numpy(np.ascontiguousarray(x)) for x in (number, ending, form, pause, runs)))
        rows.append(out[:, context:context + long].reshape(-1, MARKS + 1)[:length])
    out = torch.cat(rows)
    return torch.softmax(out[:, :MARKS], -1).numpy(), torch.sigmoid(out[:, MARKS]).numpy(), of.marks, of.names


def scores(marks_chance, name_chance, marks, names):
    """The best F1 over thresholds: precision/recall=F1@threshold, for ends, commas, questions and names."""
    def score(found, wanted):
        right = (found & wanted).sum()
        return 100 * right / max(1, found.sum()), 100 * right / max(1, wanted.sum()), 200 * right / max(1, found.sum() + wanted.sum())
    best = lambda chance, wanted, where=True: max((score((chance > t) & where, wanted) + (t,) for t in np.arange(.1, .8, .03)), key=lambda s: s[2])
    end = marks_chance[:, 2] + marks_chance[:, 3]
    ends = best(end, (marks == 2) | (marks == 3)); is_end = end > ends[3]
    found = {'end': ends, 'comma': best(marks_chance[:, 1], marks == 1, ~is_end), 'question': best(marks_chance[:, 3] / (end + 1e-9), marks == 3, is_end),
             'name': best(name_chance[names >= 0], names[names >= 0] == 1)}
    return ' '.join('%s %.1f/%.1f=%.1f@%.2f' % (name, *s) for name, s in found.items())


def export(net, path):
    """A line of JSON, then each row of each table as a scale and whole steps of it (model.ts), then the word lists."""
    tables, get = [], {k: v.detach().numpy() for k, v in net.state_dict().items()}
    def put(name, values, bits=8): tables.append((name, np.ascontiguousarray(np.atleast_2d(values), np.float32), bits))
    put('word', net.embedding.table().detach().numpy(), 4)
    for name in ('ending', 'shape', 'lists'): put(name, get[f'embedding.{name}.weight'])
    put('pauses', get['embedding.pauses']); put('grams', get['runs.weight'].T)
    put('first', get['first.weight']); put('firstBias', get['first.bias'])
    for i in range(len(BLOCKS)):
        put(f'near{i}', get[f'blocks.{i}.near']); put(f'near{i}Bias', get[f'blocks.{i}.near_bias'])
        put(f'layer{i}', get[f'blocks.{i}.layer.weight']); put(f'layer{i}Bias', get[f'blocks.{i}.layer.bias'])
    # The kernel takes outputs by eight: one more that says nothing.
    put('last', np.pad(get['last.weight'], ((0, 1), (0, 0)))); put('lastBias', np.pad(get['last.bias'], (0, 1)))
    head = {'words': vocabulary.words, 'endings': vocabulary.endings, 'own': OWN, 'ownInWords': OWN_IN_WORDS,
            'blocks': [{'before': before, 'step': step} for before, _, step in BLOCKS], 'filters': json.load(open(f'{OUT}/filters.json')),
            'tables': [{'name': name, 'rows': len(t), 'columns': t.shape[1], 'bits': bits} for name, t, bits in tables]}
    with open(path, 'wb') as file:
        file.write(json.dumps(head, ensure_ascii=False, separators=(',', ':')).encode() + b'\n')
        for _, table, bits in tables:
            for row in table:
                step = max(abs(row).max() / (7 if bits == 4 else 127), 1e-12)
                counted = np.round(row / step).astype(np.int8)
                file.write(np.float32(step).tobytes() + (counted if bits == 8 else (counted[::2] << 4 | counted[1::2] & 15).astype(np.int8)).tobytes())
        file.write(open(f'{OUT}/filters.bin', 'rb').read())


def train(net):
    runs, rest = [net.runs.weight], [p for n, p in net.named_parameters() if n != 'runs.weight']
    optimizer = torch.optim.AdamW([{'params': rest, 'weight_decay': .01}, {'params': runs, 'weight_decay': .03}], lr=RATE)
    smooth = {k: v.clone() for k, v in net.state_dict().items()}
    begun, loss_now = time.time(), 0
    for step, (number, ending, form, pause, words, marks, names) in enumerate(batches()):
        done = (time.time() - begun) / 60 / MINUTES
        if done >= 1: break
        for group in optimizer.param_groups: group['lr'] = RATE * min(1, step / 200) * (.5 * (1 + math.cos(math.pi * done)) + .01)
        net.train(); net.embedding.is_coarse = done > .5 or START is not None
        loss = loss_of(net(number, ending, form, pause, words), marks, names)
        optimizer.zero_grad(); loss.backward(); nn.utils.clip_grad_norm_(net.parameters(), 1.); optimizer.step()
        loss_now = .995 * loss_now + .005 * loss.item()
        if step % 10 == 0:
            for k, v in net.state_dict().items(): smooth[k].mul_(.98).add_(v, alpha=.02)
        if step % 400 == 0: print(step, 'loss %.4f' % (loss_now / (1 - .995 ** (step + 1))), '%.0f s' % (time.time() - begun), flush=True)
    net.load_state_dict(smooth)


net = Network()
earlier = torch.load(f'{OUT}/{START}.pt') if START else None
if START: net.load_state_dict(earlier)
train(net)
if START: net.load_state_dict({k: (v + earlier[k]) / 2 for k, v in net.state_dict().items()})
torch.save(net.state_dict(), f'{OUT}/{NAME}.pt')
for name, of in (('unseen documents', unseen), ('other genres', other)):
    for with_pauses in (False, True): print(name, 'with pauses' if with_pauses else 'without', scores(*chances(net, of, with_pauses)), flush=True)
export(net, f'{OUT}/{NAME}.bin')
