// Stands in for the framework's I2C: what hangs on the first bus of the board that stands in. For tests.
#pragma once

struct TwoWire {
  std::vector<int> sent, given;
  std::map<int, int> asked;
  int address = 0;

  Device *device() {
    for (Device &device : wires.front().devices) {
      if (device.address == address) return &device;
    }
    return nullptr;
  }

  void begin() {}
  void beginTransmission(int to) { address = to; sent.clear(); }
  size_t write(uint8_t value) { sent.push_back(value); return 1; }

  uint8_t endTransmission() {
    now += 100;
    std::cerr << "sent " << address;
    for (int value : sent) std::cerr << " " << value;
    std::cerr << "\n";
    if (!device()) return 2;
    if (!sent.empty()) asked[address] = sent.front();
    return 0;
  }

  uint8_t requestFrom(int from, int count) {
    now += 100;
    address = from;
    given.clear();
    for (int i = 0; device() && i < count; i++) {
      const std::vector<int> &data = device()->registers[asked[address]];
      given.push_back(i < (int) data.size() ? data[i] : 0xFF);
    }
    return given.size();
  }

  int available() { return given.size(); }

  int read() {
    int value = given.front();
    given.erase(given.begin());
    return value;
  }
};

static TwoWire Wire;
