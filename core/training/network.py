"""The network for marks, what it is learned by, how it is measured, and its file as model.ts reads it."""
import json, math
import numpy as np, torch, torch.nn as nn, torch.nn.functional as F
from text import pauses

EMBEDDING, WIDTH, ROWS, LISTS, MARKS = 64, 112, 150_000, 6, 6
# How many neighbours before and after a word, and how far apart.
BLOCKS = [(3, 4, 1), (2, 2, 1), (2, 2, 2), (2, 2, 4), (2, 2, 8), (2, 2, 1)]
LENGTH = 144


def coarse(word):
    """Words counted in the 4 bits they are shipped in; what is learned passes through."""
    step = word.abs().amax(-1, keepdim=True) / 7 + 1e-9
    return word + ((word / step).round() * step - word).detach()


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
    """The layers over what an embedding knows of each word.

    hidden_first, hidden_last: what is hidden before the first and the last layer while it learns."""
    def __init__(self, embedding, hidden_first, hidden_last):
        super().__init__()
        self.embedding, self.first, self.blocks = embedding, nn.Linear(EMBEDDING, WIDTH), nn.ModuleList(Block(*b) for b in BLOCKS)
        self.last, self.runs = nn.Linear(WIDTH, MARKS + 1), nn.Embedding(ROWS, MARKS + 1)
        self.hidden_first, self.hidden_last = hidden_first, hidden_last
        nn.init.zeros_(self.runs.weight)

    def forward(self, number, ending, form, pause, runs):
        x = self.embedding(number, ending, form, pause)
        x = self.first(F.dropout(x, self.hidden_first, self.training))
        for block in self.blocks: x = block(x)
        said = self.runs(runs)
        if self.training: said = said * (torch.rand(said.shape[:-1]) > .2)[..., None] / .8
        return self.last(F.dropout(x, self.hidden_last, self.training)) + said.sum(-2)


def order(text, weights, rng):
    """Where windows begin in a text, and in which document each lies, in a new order; each document as often as its weight says."""
    starts, of = [], []
    for d, length in enumerate(text.lengths):
        for _ in range(int(weights[d]) + (rng.random() < weights[d] % 1)):
            at = np.arange(-rng.integers(0, LENGTH), length, LENGTH)
            starts.append(at + text.begins[d]); of.append(np.full(len(at), d))
    starts, of = np.concatenate(starts), np.concatenate(of)
    mixed = rng.permutation(len(starts))
    return starts[mixed], of[mixed]


def batch(text, starts, of, rng):
    """Windows, each with pauses unknown, all known, or known between cues alone."""
    number, ending, form, marks, names, runs, _ = text.windows(starts, of, LENGTH, ROWS)
    size = (len(starts), 1)
    mode, cue = rng.integers(0, 3, size), rng.integers(6, 17, size)
    between = (np.arange(LENGTH)[None] + rng.integers(0, 16, size)) % cue == 0
    known = np.broadcast_to((mode == 1) | ((mode == 2) & between), marks.shape)
    pause = pauses(marks, known, rng.uniform(.5, .9, size), rng.uniform(.03, .14, size), rng)
    return tensors(number, ending, form, pause, runs, marks, names)


def tensors(*arrays): return [torch.from_numpy(np.ascontiguousarray(x)) for x in arrays]


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
        with torch.no_grad(): out = net(*tensors(number, ending, form, pause, runs))
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


def tables_of(net, words):
    """The tables of a network as the file holds them: name, rows and the bits of a number."""
    tables, get = [], {k: v.detach().numpy() for k, v in net.state_dict().items()}
    def put(name, values, bits=8): tables.append((name, np.ascontiguousarray(np.atleast_2d(values), np.float32), bits))
    put('word', words.detach().numpy(), 4)
    for name in ('ending', 'shape', 'lists'): put(name, get[f'embedding.{name}.weight'])
    put('pauses', get['embedding.pauses']); put('grams', get['runs.weight'].T)
    put('first', get['first.weight']); put('firstBias', get['first.bias'])
    for i in range(len(BLOCKS)):
        put(f'near{i}', get[f'blocks.{i}.near']); put(f'near{i}Bias', get[f'blocks.{i}.near_bias'])
        put(f'layer{i}', get[f'blocks.{i}.layer.weight']); put(f'layer{i}Bias', get[f'blocks.{i}.layer.bias'])
    # The kernel takes outputs by eight: one more that says nothing.
    put('last', np.pad(get['last.weight'], ((0, 1), (0, 0)))); put('lastBias', np.pad(get['last.bias'], (0, 1)))
    return tables


def export(path, head, tables, rest):
    """A line of JSON, then each row of each table as a scale and whole steps of it (model.ts), then the word lists."""
    head = {**head, 'tables': [{'name': name, 'rows': len(t), 'columns': t.shape[1], 'bits': bits} for name, t, bits in tables]}
    with open(path, 'wb') as file:
        file.write(json.dumps(head, ensure_ascii=False, separators=(',', ':')).encode() + b'\n')
        for _, table, bits in tables:
            for row in table:
                step = max(abs(row).max() / (7 if bits == 4 else 127), 1e-12)
                counted = np.round(row / step).astype(np.int8)
                file.write(np.float32(step).tobytes() + (counted if bits == 8 else (counted[::2] << 4 | counted[1::2] & 15).astype(np.int8)).tobytes())
        file.write(rest)


def imported(path):
    """What `export` wrote: its head, its tables by name, and what stands behind them."""
    raw = open(path, 'rb').read()
    end = raw.index(b'\n')
    head, at, tables = json.loads(raw[:end]), end + 1, {}
    for table in head['tables']:
        rows, size = table['rows'], table['columns'] * table['bits'] // 8 + 4
        block = np.frombuffer(raw, np.uint8, rows * size, at).reshape(rows, size)
        at += rows * size
        steps = block[:, 4:].copy().view(np.int8)
        if table['bits'] == 4:
            halves = np.stack([steps >> 4, (steps << 4) >> 4], -1)
            steps = halves.reshape(rows, -1)
        tables[table['name']] = steps.astype(np.float32) * block[:, :4].copy().view('<f4')
    return head, tables, raw[at:]
