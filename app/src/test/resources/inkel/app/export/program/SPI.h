// Stands in for the framework's SPI: moves the clock and the data line of the first part that hangs on it. For tests.
#pragma once

enum { MSBFIRST = 1, SPI_MODE0 = 0, SPI_MODE1, SPI_MODE2, SPI_MODE3 };

struct SPISettings {
  SPISettings(unsigned long, int, int) {}
};

struct SpiPort {
  void begin() {
    pinMode(shifts.front().clock, OUTPUT);
    pinMode(shifts.front().out, OUTPUT);
  }

  void beginTransaction(SPISettings) {}
  void endTransaction() {}

  uint8_t transfer(uint8_t value) {
    const Shift &on = shifts.front();
    int in = 0;
    for (int bit = 7; bit >= 0; bit--) {
      digitalWrite(on.out, (value >> bit) & 1);
      digitalWrite(on.clock, HIGH);
      in = in * 2 + digitalRead(on.in);
      digitalWrite(on.clock, LOW);
    }
    return in;
  }
};

static SpiPort SPI;
