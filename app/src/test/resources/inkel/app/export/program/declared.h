// What a board's own framework declares, for compiling alone. For tests.
#include <stddef.h>
#include <stdint.h>

enum { LOW = 0, HIGH = 1, INPUT = 0, OUTPUT = 1, INPUT_PULLUP = 2, MSBFIRST = 1 };
enum { SPI_MODE0, SPI_MODE1, SPI_MODE2, SPI_MODE3 };
enum { A0 = 100, A1, A2, A3, A4, A5, A6, A7, A8, A9, A10, A11, A12, A13, A14, A15 };

void pinMode(int pin, int mode);
void digitalWrite(int pin, int value);
int digitalRead(int pin);
int analogRead(int pin);
void delay(unsigned long ms);
void delayMicroseconds(unsigned int us);
unsigned long micros();
unsigned long millis();

struct Port {
  void begin(long rate);
  void print(const char *text);
  void print(char one);
  void print(int number);
  void println();
  void println(const char *text);
  int available();
  int read();
};
extern Port Serial;

struct TwoWire {
  void begin();
  void beginTransmission(int address);
  size_t write(uint8_t value);
  uint8_t endTransmission();
  uint8_t requestFrom(int address, int count);
  int available();
  int read();
};
extern TwoWire Wire;

struct SPISettings {
  SPISettings(unsigned long rate, int order, int mode);
};

struct SpiPort {
  void begin();
  void beginTransaction(SPISettings settings);
  void endTransaction();
  uint8_t transfer(uint8_t value);
};
extern SpiPort SPI;
