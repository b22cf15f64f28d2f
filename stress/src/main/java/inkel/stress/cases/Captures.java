package inkel.stress.cases;

import inkel.stress.kit.Chance;
import inkel.stress.kit.Oddities;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Scrawl;
import inkel.stress.kit.Tally;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** Captures with spoilt bytes and lines, decoded in every way. */
public final class Captures implements Ordeal {
    private static final List<String> KINDS = List.of("pulses", "uart", "i2c", "spi", "infrared");
    private static final int EDGES = 200;

    private final Path folder;

    public Captures() throws IOException {
        folder = Files.createTempDirectory("inkel-stress-capture");
    }

    @Override
    public String name() {
        return "captures";
    }

    @Override
    public String round() {
        return "a spoilt capture, decoded";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws IOException {
        boolean isDump = random.nextBoolean();
        String text = isDump ? dump(random) : table(random);
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        bytes = Chance.oneIn(random, 6) ? bytes : Scrawl.over(bytes, random);
        Path file = folder.resolve(isDump ? "tried.vcd" : "tried.csv");
        Files.write(file, bytes);
        String kind = Chance.of(random, KINDS);
        String sample = new String(bytes, StandardCharsets.ISO_8859_1);
        Said.by("decode", file.toString(), "--as", kind, "--channels", "D0=sda,D1=scl", "--json")
                .look(tally, sample);
        Said.by("decode", file.toString(), "--as", kind, "--channels", channels(kind), "--json")
                .look(tally, sample);
    }

    private static String channels(String kind) {
        return switch (kind) {
            case "i2c" -> "D0=sda,D1=scl";
            case "spi" -> "D0=sck,D1=mosi,D2=cs";
            default -> "D0=line";
        };
    }

    private static String dump(Random random) {
        StringBuilder text = new StringBuilder("$timescale "
                + Chance.of(random, List.of("1 us", "10 ns", "1 ps", "1 s", "0 us", "-1 us", "1 year")) + " $end\n");
        for (int i = 0; i < 3; i++) {
            text.append("$var wire 1 ")
                    .append((char) ('!' + i))
                    .append(" D")
                    .append(i)
                    .append(" $end\n");
        }
        text.append("$enddefinitions $end\n#0\n0!\n0\"\n0#\n");
        long at = 0;
        for (int i = 0; i < EDGES; i++) {
            at += Chance.oneIn(random, 60) ? random.nextLong() >> random.nextInt(64) : 1 + random.nextInt(900);
            text.append('#').append(at).append('\n');
            text.append(Chance.oneIn(random, 40) ? Oddities.text(random) : String.valueOf(random.nextInt(2)));
            text.append((char) ('!' + random.nextInt(3))).append('\n');
        }
        return text.toString();
    }

    private static String table(Random random) {
        StringBuilder text = new StringBuilder(
                Chance.of(random, List.of("Time [s],D0,D1,D2\n", "time,D0,D1,D2\n", "", "t;D0;D1;D2\n")));
        double at = 0;
        for (int i = 0; i < EDGES; i++) {
            at += random.nextDouble() * 1e-3;
            text.append(Chance.oneIn(random, 60) ? Oddities.text(random) : String.format(Locale.ROOT, "%.9f", at));
            for (int channel = 0; channel < 3; channel++) {
                text.append(',').append(Chance.oneIn(random, 80) ? Oddities.text(random) : random.nextInt(2));
            }
            text.append('\n');
        }
        return text.toString();
    }
}
