// Stands in for a board: pins, a clock of its own, and what hangs on them, as a file tells. For tests.
#include <cstdint>
#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <iostream>
#include <map>
#include <set>
#include <sstream>
#include <string>
#include <vector>

enum { LOW = 0, HIGH = 1, INPUT = 0, OUTPUT = 1, INPUT_PULLUP = 2 };

struct Device {
  int address;
  std::map<int, std::vector<int>> registers;
};

// One I2C bus with all that answer on it.
struct Wires {
  int sda, scl;
  std::vector<Device> devices;
  int lastSda = 1, lastScl = 1;
  bool isPulled = false;
  int bits = 0, byte = 0, at = 0, reg = 0;
  enum { IDLE, ADDRESS, WRITE, READ, DEAF } phase = IDLE;
  bool isAck = false, isAsked = false, isPointer = false;
  Device *talker = nullptr;
};

struct Shift {
  int clock, out, in, select;
  std::map<int, std::vector<int>> registers;
  int lastClock = 0, bits = 0, byte = 0, at = -1, command = -1;
  // Clocks with the data high that it wants before it is selected, and has had.
  int wants = 0, had = 0;
};

struct Voice {
  int rate;
  std::string text;
};

// What a pin said, as an adapter hears it: when it changed, and to what.
struct Talk {
  int pin = -1, rate = 9600, last = HIGH;
  std::vector<std::pair<long long, int>> edges;

  int at(double when) const {
    int value = HIGH;
    for (auto &edge : edges) {
      if (edge.first > when) break;
      value = edge.second;
    }
    return value;
  }

  std::string text() const {
    std::string all;
    double bit = 1e6 / rate, free = 0;
    for (auto &edge : edges) {
      if (edge.second == LOW && edge.first >= free) {
        int value = 0;
        for (int i = 0; i < 8; i++) value |= at(edge.first + (i + 1.5) * bit) << i;
        all += at(edge.first + 9.5 * bit) == HIGH ? (char) value : '?';
        free = edge.first + 9.5 * bit;
      }
    }
    return all;
  }
};

// One of several probes on one line, each with a number of 64 bits; slots are told apart by how long the line is low.
struct Probe {
  int pin = 0, raw = 0;
  std::vector<int> number;
  enum { DEAF, COMMAND, SEARCH, MATCH, FUNCTION, TELL } phase = DEAF;
  int at = 0, turn = 0, byte = 0;
  bool isLow = false;
  long long fell = 0, holds = 0, ready = -1;

  int bit() const { return (number[at / 8] >> (at % 8)) & 1; }

  int says(long long when) const {
    if (phase == SEARCH && turn < 2) return bit() ^ turn;
    if (phase != TELL) return HIGH;
    // As long as nothing was measured it tells 85 degrees.
    int value = ready >= 0 && when >= ready ? raw : 0x550;
    int pad[] = {value & 0xFF, (value >> 8) & 0xFF, 75, 70, 127, 255, 12, 16, 0};
    return (pad[at / 8] >> (at % 8)) & 1;
  }

  void command(long long when) {
    at = turn = 0;
    if (phase == COMMAND) {
      phase = byte == 0xF0 ? SEARCH : byte == 0x55 ? MATCH : byte == 0xCC ? FUNCTION : DEAF;
    } else {
      if (byte == 0x44) ready = when + 750000;
      phase = byte == 0xBE ? TELL : DEAF;
    }
    byte = 0;
  }

  void slot(int heard, long long when) {
    if (phase == COMMAND || phase == FUNCTION) {
      byte |= heard << at;
      if (++at == 8) command(when);
    } else if (phase == SEARCH && turn < 2) {
      turn++;
    } else if (phase == SEARCH || phase == MATCH) {
      turn = 0;
      phase = heard != bit() ? DEAF : ++at < 64 ? phase : phase == MATCH ? FUNCTION : DEAF;
      at = phase == FUNCTION ? 0 : at;
    } else if (phase == TELL && ++at == 72) {
      phase = DEAF;
    }
  }

  void changed(bool low, long long when) {
    if (low && !isLow) {
      fell = when;
      if (says(when) == LOW) holds = when + 30;
    } else if (!low && isLow) {
      long long length = when - fell;
      if (length >= 400) {
        phase = COMMAND;
        at = byte = 0;
        holds = when + 120;
      } else {
        slot(length < 15, when);
      }
    }
    isLow = low;
  }
};

// Answers on its line when that was held low for a millisecond: after a gap low and high for 80 each, then bits by how long high.
struct Answer {
  int pin = 0, gap = 0;
  std::vector<int> bytes;
  bool isLow = false;
  long long fell = 0, released = -1;

  void changed(bool low, long long when) {
    if (low && !isLow) fell = when;
    if (!low && isLow) released = when - fell >= 1000 ? when : -1;
    isLow = low;
  }

  int says(long long when) const {
    long long at = when - released - gap;
    if (released < 0 || at < 0) return HIGH;
    if (at < 160) return at < 80 ? LOW : HIGH;
    at -= 160;
    for (unsigned bit = 0; bit < 8 * bytes.size(); bit++) {
      int high = (bytes[bit / 8] >> (7 - bit % 8)) & 1 ? 70 : 26;
      if (at < 50 + high) return at < 50 ? LOW : HIGH;
      at -= 50 + high;
    }
    return at < 50 ? LOW : HIGH;
  }
};

// High and low for so long, for ever.
struct Wave {
  int high, low;
};

// A converter with a clock of its own: low when it has something, then a bit after each clock has risen.
struct Clocked {
  int clock = 0, data = 0;
  std::vector<int> bytes;
  int last = 0;
  unsigned count = 0;

  void changed(int level) {
    if (level == HIGH && last == LOW) count++;
    last = level;
  }

  int says() {
    if (count > 8 * bytes.size()) return HIGH;
    return count == 0 ? LOW : (bytes[(count - 1) / 8] >> (7 - (count - 1) % 8)) & 1;
  }
};

static Talk talk;
static std::map<int, Wave> waves;
static std::vector<Clocked> clockeds;
static std::vector<Answer> answers;
static std::vector<Probe> probes;
static std::map<int, int> modes, values, rests, codes;
static std::vector<Wires> wires;
static std::vector<Shift> shifts;
static std::map<int, Voice> voices;
static std::set<int> driven;
static long long now = 0;

static int outer(int pin) {
  bool isLine = false;
  for (Probe &probe : probes) {
    if (probe.pin == pin && probe.holds > now) return LOW;
    isLine |= probe.pin == pin;
  }
  if (isLine) return HIGH;
  for (Answer &answer : answers) {
    if (answer.pin == pin) return answer.says(now);
  }
  for (Clocked &on : clockeds) {
    if (on.data == pin) return on.says();
  }
  if (waves.count(pin)) return now % (waves[pin].high + waves[pin].low) < waves[pin].high ? HIGH : LOW;
  for (Wires &bus : wires) {
    if (bus.isPulled && pin == bus.sda) return LOW;
  }
  for (Shift &on : shifts) {
    bool isSelected = on.select < 0 || (modes[on.select] == OUTPUT && values[on.select] == LOW);
    if (pin == on.in && isSelected && on.command >= 0 && on.had >= on.wants) {
      const std::vector<int> &data = on.registers.count(on.command) ? on.registers[on.command] : std::vector<int>();
      int value = on.at < (int) data.size() ? data[on.at] : 0xFF;
      return (value >> (7 - on.bits)) & 1;
    }
  }
  if (voices.count(pin)) {
    // Again and again, with half a second between.
    const Voice &voice = voices[pin];
    double bit = 1e6 / voice.rate;
    std::string all = voice.text + "\r\n";
    double length = all.size() * 10 * bit;
    double in = (double) (now % (long long) (length + 500000));
    if (in >= length) return HIGH;
    int place = (int) (in / bit);
    int within = place % 10;
    unsigned char value = all[place / 10];
    return within == 0 ? LOW : within == 9 ? HIGH : (value >> (within - 1)) & 1;
  }
  return rests.count(pin) ? rests[pin] : modes[pin] == INPUT_PULLUP ? HIGH : LOW;
}

static int level(int pin) {
  return modes[pin] == OUTPUT ? values[pin] && outer(pin) != LOW ? HIGH : values[pin] : outer(pin);
}

static void load(Wires &bus) {
  std::vector<int> &data = bus.talker->registers[bus.reg];
  int value = bus.at < (int) data.size() ? data[bus.at] : 0xFF;
  bus.isPulled = !((value >> (7 - bus.bits)) & 1);
}

static void fell(Wires &bus, int sda) {
  (void) sda;
  if (bus.phase == Wires::ADDRESS || bus.phase == Wires::WRITE) {
    if (bus.bits == 8 && !bus.isAck) {
      bus.isAck = true;
      bool isHeard = true;
      if (bus.phase == Wires::ADDRESS) {
        bus.talker = nullptr;
        for (Device &device : bus.devices) {
          if (device.address == bus.byte >> 1) bus.talker = &device;
        }
        isHeard = bus.talker;
        bus.isAsked = bus.byte & 1;
        bus.isPointer = !bus.isAsked;
      } else {
        std::cerr << "told " << bus.talker->address << " " << bus.byte << "\n";
        if (bus.isPointer) bus.reg = bus.byte;
        bus.isPointer = false;
      }
      bus.isPulled = isHeard;
      if (!isHeard) bus.phase = Wires::DEAF;
    } else if (bus.isAck) {
      bus.isAck = false;
      bus.isPulled = false;
      bus.bits = bus.byte = 0;
      if (bus.phase == Wires::ADDRESS && bus.isAsked) {
        bus.phase = Wires::READ;
        bus.at = 0;
        load(bus);
      } else {
        bus.phase = Wires::WRITE;
      }
    }
  } else if (bus.phase == Wires::READ) {
    if (bus.bits < 8) {
      load(bus);
    } else if (bus.bits == 8) {
      bus.isPulled = false;
    } else {
      bus.bits = 0;
      bus.at++;
      if (bus.isAck) {
        bus.isAck = false;
        load(bus);
      } else {
        bus.phase = Wires::DEAF;
      }
    }
  }
}

static void rose(Wires &bus, int sda) {
  if ((bus.phase == Wires::ADDRESS || bus.phase == Wires::WRITE) && bus.bits < 8) {
    bus.byte = bus.byte * 2 + sda;
    bus.bits++;
  } else if (bus.phase == Wires::READ) {
    bus.bits++;
    if (bus.bits == 9) bus.isAck = sda == LOW;
  }
}

static void changed() {
  for (Probe &probe : probes) probe.changed(modes[probe.pin] == OUTPUT && values[probe.pin] == LOW, now);
  for (Answer &answer : answers) answer.changed(modes[answer.pin] == OUTPUT && values[answer.pin] == LOW, now);
  for (Clocked &on : clockeds) on.changed(modes[on.clock] == OUTPUT ? values[on.clock] : LOW);
  for (Wires &bus : wires) {
    int sda = level(bus.sda), scl = level(bus.scl);
    if (scl == HIGH && bus.lastScl == HIGH && sda != bus.lastSda) {
      bus.phase = sda == LOW ? Wires::ADDRESS : Wires::IDLE;
      bus.bits = bus.byte = 0;
      bus.isAck = bus.isPulled = false;
    } else if (scl != bus.lastScl) {
      if (scl == HIGH) rose(bus, sda);
      else fell(bus, sda);
    }
    bus.lastSda = level(bus.sda);
    bus.lastScl = scl;
  }
  for (Shift &on : shifts) {
    bool isSelected = on.select < 0 || (modes[on.select] == OUTPUT && values[on.select] == LOW);
    int clock = level(on.clock);
    if (!isSelected) {
      if (clock == HIGH && on.lastClock == LOW) on.had = level(on.out) == HIGH ? on.had + 1 : 0;
      on.bits = on.byte = 0;
      on.at = -1;
      on.command = -1;
    } else if (clock == HIGH && on.lastClock == LOW) {
      on.byte = on.byte * 2 + level(on.out);
    } else if (clock == LOW && on.lastClock == HIGH) {
      on.bits++;
      if (on.bits == 8) {
        std::cerr << "shifted " << on.select << " " << (on.byte & 0xFF) << "\n";
        if (on.command < 0) on.command = on.byte & 0xFF;
        on.at++;
        on.bits = on.byte = 0;
      }
    }
    on.lastClock = clock;
  }
}

static void pinMode(int pin, int mode) {
  modes[pin] = mode;
  if (mode == OUTPUT) driven.insert(pin);
  changed();
}

static void digitalWrite(int pin, int value) {
  values[pin] = value;
  if (pin == talk.pin && value != talk.last) talk.edges.push_back({now, talk.last = value});
  changed();
}

static int digitalRead(int pin) {
  now += 4;
  return level(pin);
}

static int analogRead(int pin) { return codes.count(pin) ? codes[pin] : 0; }
static void delayMicroseconds(unsigned int us) { now += us; }
static void delay(unsigned long ms) { now += 1000 * ms; }
static unsigned long micros() { now += 2; return now; }
static unsigned long millis() { now += 4; return now / 1000; }

static std::string typed;

struct Port {
  void begin(long) {}
  void print(const char *text) { std::cout << text; }
  void print(char one) { std::cout << one; }
  void print(int number) { std::cout << number; }
  void println() { std::cout << "\n"; }
  void println(const char *text) { std::cout << text << "\n"; }
  void println(int number) { std::cout << number << "\n"; }
  int available() { return typed.size(); }
  int read() {
    int key = typed[0];
    typed.erase(0, 1);
    return key;
  }
};

[[maybe_unused]] static Port Serial;

void setup();
void loop();

static std::vector<int> numbers(const std::string &text) {
  std::vector<int> all;
  std::stringstream in(text);
  std::string one;
  while (std::getline(in, one, ',')) all.push_back(std::stoi(one, nullptr, 0));
  return all;
}

// First the file that tells what hangs on the pins, then what is typed.
int main(int count, char **given) {
  std::ifstream in(given[1]);
  std::string line;
  while (std::getline(in, line)) {
    std::stringstream words(line);
    std::string kind;
    words >> kind;
    if (kind == "rest") {
      int pin, value;
      words >> pin >> value;
      rests[pin] = value;
    } else if (kind == "adc") {
      int pin, value;
      words >> pin >> value;
      codes[pin] = value;
    } else if (kind == "answer") {
      Answer answer;
      std::string bytes;
      words >> answer.pin >> answer.gap >> bytes;
      answer.bytes = numbers(bytes);
      answers.push_back(answer);
    } else if (kind == "wave") {
      int pin;
      words >> pin;
      words >> waves[pin].high >> waves[pin].low;
    } else if (kind == "clocked") {
      Clocked on;
      std::string bytes;
      words >> on.clock >> on.data >> bytes;
      on.bytes = numbers(bytes);
      clockeds.push_back(on);
    } else if (kind == "probe") {
      Probe probe;
      std::string number;
      words >> probe.pin >> number >> probe.raw;
      probe.number = numbers(number);
      probes.push_back(probe);
    } else if (kind == "talk") {
      words >> talk.pin >> talk.rate;
    } else if (kind == "i2c") {
      Wires bus;
      words >> bus.sda >> bus.scl;
      wires.push_back(bus);
    } else if (kind == "device") {
      Device device;
      words >> device.address;
      wires.back().devices.push_back(device);
    } else if (kind == "register") {
      int number;
      std::string data;
      words >> number >> data;
      wires.back().devices.back().registers[number] = numbers(data);
    } else if (kind == "spi") {
      Shift on;
      int command;
      std::string data;
      words >> on.clock >> on.out >> on.in >> on.select >> command >> data >> on.wants;
      on.wants *= 8;
      on.registers[command] = numbers(data);
      shifts.push_back(on);
    } else if (kind == "uart") {
      int pin;
      Voice voice;
      words >> pin >> voice.rate >> voice.text;
      voices[pin] = voice;
    }
  }
  setup();
  if (count > 2) typed = given[2];
  while (!typed.empty()) loop();
  for (long long until = now + 1000LL * (count > 3 ? std::atoi(given[3]) : 0); now < until; now += 500) loop();
  std::cout << talk.text();
  for (int pin : driven) std::cerr << "driven " << pin << "\n";
  for (auto &pin : modes) {
    if (pin.second == OUTPUT) std::cerr << "left " << pin.first << "\n";
  }
  return 0;
}
