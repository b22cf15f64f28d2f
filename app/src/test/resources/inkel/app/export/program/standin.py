"""Stands in for a board: pins, a clock of its own, and what hangs on them, as a file tells. For tests."""
import sys
import types

now = 0
modes, values, pulls, rests, codes, voices = {}, {}, {}, {}, {}, {}
buses, shifts, probes, answers, driven = [], [], [], [], set()
waves = {}


class Bus:
    def __init__(self, sda, scl):
        self.sda, self.scl, self.devices = sda, scl, {}
        self.last_sda = self.last_scl = 1
        self.pulled = self.ack = self.asked = self.pointer = False
        self.bits = self.byte = self.at = self.reg = 0
        self.phase, self.talker = "idle", None

    def load(self):
        data = self.talker.get(self.reg, [])
        value = data[self.at] if self.at < len(data) else 0xFF
        self.pulled = not (value >> (7 - self.bits)) & 1

    def fell(self):
        if self.phase in ("address", "write"):
            if self.bits == 8 and not self.ack:
                self.ack = True
                heard = True
                if self.phase == "address":
                    self.talker = self.devices.get(self.byte >> 1)
                    heard = self.talker is not None
                    self.asked = bool(self.byte & 1)
                    self.pointer = not self.asked
                else:
                    print("told %d %d" % (next(k for k, v in self.devices.items() if v is self.talker), self.byte),
                          file=sys.stderr)
                    self.reg, self.pointer = self.byte if self.pointer else self.reg, False
                self.pulled = heard
                if not heard:
                    self.phase = "deaf"
            elif self.ack:
                self.ack = self.pulled = False
                self.bits = self.byte = 0
                if self.phase == "address" and self.asked:
                    self.phase, self.at = "read", 0
                    self.load()
                else:
                    self.phase = "write"
        elif self.phase == "read":
            if self.bits < 8:
                self.load()
            elif self.bits == 8:
                self.pulled = False
            else:
                self.bits = 0
                self.at += 1
                if self.ack:
                    self.ack = False
                    self.load()
                else:
                    self.phase = "deaf"

    def rose(self, sda):
        if self.phase in ("address", "write") and self.bits < 8:
            self.byte = self.byte * 2 + sda
            self.bits += 1
        elif self.phase == "read":
            self.bits += 1
            if self.bits == 9:
                self.ack = sda == 0

    def changed(self):
        sda, scl = level(self.sda), level(self.scl)
        if scl and self.last_scl and sda != self.last_sda:
            self.phase = "address" if sda == 0 else "idle"
            self.bits = self.byte = 0
            self.ack = self.pulled = False
        elif scl != self.last_scl:
            self.rose(sda) if scl else self.fell()
        self.last_sda, self.last_scl = level(self.sda), scl


class Probe:
    """One of several on one line, each with a number of 64 bits; slots are told apart by how long the line is low."""

    def __init__(self, pin, number, raw):
        self.pin, self.number, self.raw = pin, number, raw
        self.phase, self.at, self.turn, self.byte = "deaf", 0, 0, 0
        self.low, self.fell, self.holds, self.ready = False, 0, 0, None

    def bit(self):
        return (self.number[self.at // 8] >> self.at % 8) & 1

    def says(self):
        if self.phase == "search" and self.turn < 2:
            return self.bit() ^ self.turn
        if self.phase != "tell":
            return 1
        # As long as nothing was measured it tells 85 degrees.
        value = self.raw if self.ready is not None and now >= self.ready else 0x550
        pad = [value & 0xFF, (value >> 8) & 0xFF, 75, 70, 127, 255, 12, 16, 0]
        return (pad[self.at // 8] >> self.at % 8) & 1

    def slot(self, heard):
        if self.phase in ("command", "function"):
            self.byte |= heard << self.at
            self.at += 1
            if self.at == 8:
                if self.phase == "command":
                    self.phase = {0xF0: "search", 0x55: "match", 0xCC: "function"}.get(self.byte, "deaf")
                else:
                    self.ready = now + 750000 if self.byte == 0x44 else self.ready
                    self.phase = "tell" if self.byte == 0xBE else "deaf"
                self.at, self.turn, self.byte = 0, 0, 0
        elif self.phase == "search" and self.turn < 2:
            self.turn += 1
        elif self.phase in ("search", "match"):
            self.turn = 0
            if heard != self.bit():
                self.phase = "deaf"
            else:
                self.at += 1
                if self.at == 64:
                    self.phase, self.at = "function" if self.phase == "match" else "deaf", 0
        elif self.phase == "tell":
            self.at += 1
            if self.at == 72:
                self.phase = "deaf"

    def changed(self):
        low = modes.get(self.pin) == 1 and values.get(self.pin, 0) == 0
        if low and not self.low:
            self.fell = now
            if not self.says():
                self.holds = now + 30
        elif not low and self.low:
            length = now - self.fell
            if length >= 400:
                self.phase, self.at, self.byte, self.holds = "command", 0, 0, now + 120
            else:
                self.slot(1 if length < 15 else 0)
        self.low = low


class Shift:
    def __init__(self, clock, out, into, select, command, data, idle):
        # clocks with the data high that it wants before it is selected, and has had
        self.wants, self.had = 8 * idle, 0
        self.clock, self.out, self.into, self.select = clock, out, into, select
        self.registers = {command: data}
        self.last, self.bits, self.byte, self.at, self.command = 0, 0, 0, -1, -1

    def selected(self):
        return self.select < 0 or (modes.get(self.select) == 1 and values.get(self.select) == 0)

    def gives(self):
        data = self.registers.get(self.command, [])
        value = data[self.at] if self.at < len(data) else 0xFF
        return (value >> (7 - self.bits)) & 1

    def changed(self):
        clock = level(self.clock)
        if not self.selected():
            if clock and not self.last:
                self.had = self.had + 1 if level(self.out) else 0
            self.bits, self.byte, self.at, self.command = 0, 0, -1, -1
        elif clock and not self.last:
            self.byte = self.byte * 2 + level(self.out)
        elif not clock and self.last:
            self.bits += 1
            if self.bits == 8:
                print("shifted %d %d" % (self.select, self.byte & 0xFF), file=sys.stderr)
                if self.command < 0:
                    self.command = self.byte & 0xFF
                self.at += 1
                self.bits = self.byte = 0
        self.last = clock


class Answer:
    """When its line was held low for a millisecond: after a gap low and high for 80 each, then bits by how long high."""

    def __init__(self, pin, gap, data):
        self.pin, self.gap, self.data = pin, gap, data
        self.low, self.at, self.released = False, 0, None

    def changed(self):
        low = modes.get(self.pin) == 1 and values.get(self.pin, 0) == 0
        if low and not self.low:
            self.at = now
        if self.low and not low:
            self.released = now if now - self.at >= 1000 else None
        self.low = low

    def says(self):
        if self.released is None or now - self.released < self.gap:
            return 1
        at = now - self.released - self.gap
        if at < 160:
            return 0 if at < 80 else 1
        at -= 160
        for bit in range(8 * len(self.data)):
            high = 70 if (self.data[bit // 8] >> (7 - bit % 8)) & 1 else 26
            if at < 50 + high:
                return 0 if at < 50 else 1
            at -= 50 + high
        return 0 if at < 50 else 1


class Clocked:
    """Low when it has something, then a bit after each clock has risen."""

    def __init__(self, clock, pin, data):
        self.clock, self.pin, self.data = clock, pin, data
        self.last = self.count = 0

    def changed(self):
        level = values.get(self.clock, 0) if modes.get(self.clock) == 1 else 0
        if level and not self.last:
            self.count += 1
        self.last = level

    def says(self):
        if self.count > 8 * len(self.data):
            return 1
        at = self.count - 1
        return 0 if at < 0 else (self.data[at // 8] >> (7 - at % 8)) & 1


def outer(pin):
    for on in answers:
        if on.pin == pin:
            return on.says()
    if pin in waves:
        high, low = waves[pin]
        return 1 if now % (high + low) < high else 0
    on_line = [probe for probe in probes if probe.pin == pin]
    if on_line:
        return 0 if any(probe.holds > now for probe in on_line) else 1
    for bus in buses:
        if bus.pulled and pin == bus.sda:
            return 0
    for on in shifts:
        if pin == on.into and on.selected() and on.command >= 0 and on.had >= on.wants:
            return on.gives()
    if pin in voices:
        rate, text = voices[pin]
        bit = 1e6 / rate
        text += "\r\n"
        length = len(text) * 10 * bit
        into = now % int(length + 500000)
        if into >= length:
            return 1
        place = int(into / bit)
        within = place % 10
        return 0 if within == 0 else 1 if within == 9 else (ord(text[place // 10]) >> (within - 1)) & 1
    return rests.get(pin, pulls.get(pin, 0))


def level(pin):
    return values.get(pin, 0) if modes.get(pin) == 1 else outer(pin)


def changed():
    for on in probes + answers:
        on.changed()
    for bus in buses:
        bus.changed()
    for on in shifts:
        on.changed()


class Pin:
    IN, OUT, PULL_UP = 0, 1, 2

    def __init__(self, number):
        self.number = number if isinstance(number, int) else int(NAMES[number])

    def init(self, mode, pull=None, value=None):
        modes[self.number] = mode
        pulls[self.number] = 1 if mode == Pin.IN and pull == Pin.PULL_UP else 0
        if value is not None:
            values[self.number] = value
        if mode == Pin.OUT:
            driven.add(self.number)
        changed()

    def value(self, value=None):
        global now
        if value is None:
            now += 4
            return level(self.number)
        values[self.number] = value
        changed()


class ADC:
    def __init__(self, pin):
        self.pin = pin

    def read_u16(self):
        return codes.get(self.pin.number, 0)


class SoftI2C:
    asked = {}

    def __init__(self, scl, sda, freq):
        self.bus = [bus for bus in buses if (bus.sda, bus.scl) == (sda.number, scl.number)][0]

    def writeto(self, address, data):
        if address not in self.bus.devices:
            raise OSError(19)
        print("sent %d %s" % (address, " ".join(str(byte) for byte in data)), file=sys.stderr)
        SoftI2C.asked[address] = data[0]

    def readfrom(self, address, count):
        if address not in self.bus.devices:
            raise OSError(19)
        return bytes((self.bus.devices[address].get(SoftI2C.asked.get(address), []) + [0xFF] * count)[:count])


def passes(us):
    global now
    now += us


def numbers(text):
    return [int(one, 0) for one in text.split(",")]


NAMES = {}
for row in open(sys.argv[1]):
    words = row.split()
    if words[0] == "rest":
        rests[int(words[1])] = int(words[2])
    elif words[0] == "adc":
        codes[int(words[1])] = int(words[2])
    elif words[0] == "answer":
        answers.append(Answer(int(words[1]), int(words[2]), numbers(words[3])))
    elif words[0] == "clocked":
        answers.append(Clocked(int(words[1]), int(words[2]), numbers(words[3])))
    elif words[0] == "wave":
        waves[int(words[1])] = (int(words[2]), int(words[3]))
    elif words[0] == "probe":
        probes.append(Probe(int(words[1]), numbers(words[2]), int(words[3])))
    elif words[0] == "i2c":
        buses.append(Bus(int(words[1]), int(words[2])))
    elif words[0] == "device":
        buses[-1].devices[int(words[1], 0)] = {}
        current = int(words[1], 0)
    elif words[0] == "register":
        buses[-1].devices[current][int(words[1], 0)] = numbers(words[2])
    elif words[0] == "spi":
        shifts.append(Shift(*[int(word, 0) for word in words[1:6]], numbers(words[6]), int((words + ["0"])[7])))
    elif words[0] == "uart":
        voices[int(words[1])] = (int(words[2]), words[3])

machine = types.ModuleType("machine")
machine.Pin, machine.ADC, machine.SoftI2C = Pin, ADC, SoftI2C
clock = types.ModuleType("time")
clock.sleep_us = passes
clock.sleep_ms = lambda ms: passes(1000 * ms)
clock.ticks_us = lambda: (passes(2), now)[1]
clock.ticks_ms = lambda: (passes(4), now // 1000)[1]
clock.ticks_diff = lambda one, other: one - other
sys.modules["machine"], sys.modules["time"] = machine, clock
exec(compile(open(sys.argv[2]).read(), sys.argv[2], "exec"), {"__name__": "__main__"})
for pin in sorted(driven):
    print("driven %d" % pin, file=sys.stderr)
for pin, mode in sorted(modes.items()):
    if mode == Pin.OUT:
        print("left %d" % pin, file=sys.stderr)
