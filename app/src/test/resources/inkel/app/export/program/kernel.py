"""Stands in for the device files of a kernel, as a file tells what hangs on them. For tests."""
import builtins
import ctypes
import errno
import fcntl
import os
import select
import struct
import sys
import termios

levels, buses, shifts, voices = {}, {}, {}, {}
files, outputs, driven = {}, {}, set()
number = [1000]

for row in open(sys.argv[1]):
    words = row.split()
    if words[0] == "pin":
        levels[int(words[1])] = int(words[2])
    elif words[0] == "i2c":
        bus = buses.setdefault(words[1], {})
    elif words[0] == "device":
        device = bus.setdefault(int(words[1], 0), {})
    elif words[0] == "register":
        device[int(words[1], 0)] = [int(one, 0) for one in words[2].split(",")]
    elif words[0] == "spi":
        # device, select that must be low (- for the system's own), byte that asks, bytes, bytes of ones that it wants before
        shifts.setdefault(words[1], []).append(
            (words[2], int(words[3], 0), [int(one, 0) for one in words[4].split(",")], int((words + ["0"])[5])))
    elif words[0] == "uart":
        voices[words[1]] = (int(words[2]), words[3])


def opened(what):
    number[0] += 1
    files[number[0]] = what
    return number[0]


def open_file(path, flags):
    if path == "/dev/gpiochip0" or path in buses or path in shifts or path in voices:
        return opened({"path": path, "at": None, "reg": None, "mode": 0, "rate": None, "said": 0})
    raise FileNotFoundError(errno.ENOENT, "No such file or directory")


def control(file, asked, given=0, mutate=True):
    what = files[file]
    if asked == 0xC250B407:
        pin, = struct.unpack_from("<I", given, 0)
        flags, attributes = struct.unpack_from("<QI", given, 288)
        lines, = struct.unpack_from("<I", given, 560)
        assert len(given) == 592 and lines == 1 and flags in (4, 8, 0x104)
        if flags == 8:
            kind, pad, value, mask = struct.unpack_from("<IIQQ", given, 320)
            assert (attributes, kind, mask) == (1, 2, 1)
            outputs[pin] = value
            driven.add(pin)
        else:
            outputs.pop(pin, None)
        struct.pack_into("<i", given, 588, opened({"pin": pin, "open": 1 if flags == 0x104 else 0}))
    elif asked == 0xC010B40E:
        struct.pack_into("<Q", given, 0, levels.get(what["pin"], what["open"]))
    elif asked == 0xC010B40F:
        assert what["pin"] in outputs
        outputs[what["pin"]] = struct.unpack_from("<Q", given, 0)[0]
    elif asked == 0x0703:
        what["at"] = given
    elif asked == 0x40016B01:
        what["mode"] = given[0]
    elif asked == 0x40206B00:
        out, into, count, rate, delay, bits, change, pad = struct.unpack("<QQIIHBBI", given)
        assert bits == 8
        sent = ctypes.string_at(out, count)
        for one in sent:
            print("shifted %s %d" % (what["path"][-1:], one), file=sys.stderr)
        lows = {pin for pin, value in outputs.items() if value == 0}
        answer = [0xFF] * count
        if what["mode"] == 0x40 and not lows:
            what["ones"] = what.get("ones", 0) + count if set(sent) == {0xFF} else 0
        for need, asks, data, wants in shifts[what["path"]]:
            chosen = what["mode"] == 0 if need == "-" else what["mode"] == 0x40 and lows == {int(need)}
            if chosen and asks == sent[0] and what.get("ones", 0) >= wants:
                answer[1:] = (data + [0xFF] * count)[:count - 1]
        ctypes.memmove(into, bytes(answer), count)
    else:
        raise OSError(errno.ENOTTY, "Inappropriate ioctl")
    return 0


def read(file, count):
    what = files[file]
    if what["path"] in voices:
        rate, text = voices[what["path"]]
        what["said"] += 1
        return (text + "\r\n")[what["said"] - 1].encode()
    device = buses[what["path"]].get(what["at"])
    if device is None:
        raise OSError(errno.EREMOTEIO, "Remote I/O error")
    return bytes((device.get(what["reg"], []) + [0xFF] * count)[:count])


def write(file, data):
    what = files[file]
    if what["path"] in buses:
        what["reg"] = data[0]
        for one in data:
            print("told %d %d" % (what["at"], one), file=sys.stderr)
    return len(data)


def ready(one, other, third, wait):
    what = files[one[0]]
    rate, text = voices[what["path"]]
    right = what["rate"] == getattr(termios, "B%d" % rate)
    return (one if right and what["said"] < len(text) + 2 else [], [], [])


def rated(file, when, how):
    files[file]["rate"] = how[4]


os.open, os.read, os.write, os.close = open_file, read, write, lambda file: files.pop(file)
fcntl.ioctl, select.select = control, ready
termios.tcsetattr, termios.tcflush = rated, lambda file, which: None
exec(compile(builtins.open(sys.argv[2]).read(), sys.argv[2], "exec"), {"__name__": "__main__"})
for pin in sorted(driven):
    print("driven %d" % pin, file=sys.stderr)
for pin in sorted(outputs):
    print("left %d" % pin, file=sys.stderr)
if files:
    print("left open: %s" % files, file=sys.stderr)
    sys.exit(1)
