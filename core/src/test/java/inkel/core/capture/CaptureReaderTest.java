package inkel.core.capture;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.Reader;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class CaptureReaderTest {
    private static final String HEAD =
            """
            $date today $end
            $version made by hand $end
            $timescale
              10 us
            $end
            $scope module top $end
            $var wire 1 ! SDA $end
            $var wire 1 " SCL line $end
            $var wire 8 # data $end
            $upscope $end
            $enddefinitions $end
            """;

    private static Capture read(String text) throws IOException {
        return CaptureReader.read(new StringReader(text));
    }

    private static String edges(Channel channel) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < channel.count(); i++) {
            text.append(channel.time(i)).append("=").append(channel.level(i)).append(" ");
        }
        return text.toString().strip();
    }

    private static List<String> why(Capture capture) {
        return capture.problems().stream()
                .map(problem -> problem.line() + " " + problem.why().key())
                .toList();
    }

    @Test
    void aDumpGivesItsWiresAndTimes() throws IOException {
        Capture capture = read(HEAD + "$dumpvars\n1!\nx\"\n$end\n#5\n0!\n1\"\n#9\nb1010 #\n1!\n#12\nz\"\n#20\n");
        assertEquals(1e-5, capture.unit(), 1e-18);
        assertEquals(
                List.of("SDA", "SCL line"),
                capture.channels().stream().map(Channel::name).toList());
        assertEquals("0=1 5=0 9=1", edges(capture.channels().get(0)));
        assertEquals("0=2 5=1 12=2", edges(capture.channels().get(1)));
        assertEquals(20, capture.end());
        assertEquals(List.of("9 capture.wide"), why(capture));
    }

    @Test
    void whatIsWrongIsToldByItsLineAndTheRestTaken() throws IOException {
        Capture capture =
                read(HEAD.replace("$var wire 8 # data $end\n", "") + "#5\n0!\n#4\n1!\n#soon\n1?\nhello\n#8\n0!\n1");
        assertEquals("5=1 8=0", edges(capture.channels().get(0)), "two changes at one time are the later one");
        assertEquals(
                List.of(
                        "13 capture.time_back",
                        "15 capture.no_time",
                        "16 capture.no_wire",
                        "17 capture.no_change",
                        "20 capture.no_wire"),
                why(capture));
    }

    @Test
    void aFileThatBreaksOffInItsHeadIsSaid() throws IOException {
        assertEquals(List.of("3 capture.no_end", "0 capture.no_timescale"), why(read("$date x $end\n$timescale\n 1 ")));
        assertEquals(List.of("0 capture.no_figures"), why(read("")));
        assertEquals(List.of("0 capture.no_figures"), why(read("a letter\nto somebody\n")));
    }

    @Test
    void oneLineOfFiftyMegabytesTakesNoMemory() throws IOException {
        Reader endless = new Reader() {
            private long left = 50_000_000;

            @Override
            public int read(char[] into, int from, int count) {
                if (left <= 0) {
                    return -1;
                }
                int given = (int) Math.min(left, count);
                Arrays.fill(into, from, from + given, '7');
                left -= given;
                return given;
            }

            @Override
            public void close() {
                // Nothing is held.
            }
        };
        assertEquals(List.of("0 capture.no_figures"), why(CaptureReader.read(endless)));
    }

    @Test
    void tablesAreReadHoweverTheyAreWritten() throws IOException {
        String expected = "0=0 1000=1 3000=0";
        for (String table : List.of(
                "Time [s],D0\n0,0\n0.000001,1\n0.000002,1\n0.000003,0\n",
                "from the bench\nTime [us];Out\n0;0\n1;1\n2;1\n3;0\n",
                "Time [us];Out\r\n0,0;0\r\n1,0;1\r\n2,0;1\r\n3,0;0\r\n",
                "0.0\t0\n1e-6\t1\n2e-6\t1\n3e-6\t0\n",
                "time,volts\n0,0.02\n0.000001,4.9\n0.000002,4.8\n0.000003,0.1\n")) {
            Capture capture = read(table);
            assertEquals(expected, edges(capture.channels().get(0)), table);
            assertEquals(List.of(), capture.problems(), table);
        }
        assertEquals("Out", read("Time [us];Out\n0;0\n1;1\n").channels().get(0).name());
    }

    private static List<String> names(Capture capture) {
        return capture.channels().stream().map(Channel::name).toList();
    }

    @Test
    void cellsMayStandInQuotationMarks() throws IOException {
        for (String table : List.of(
                "\"Time (s)\",\"Out, left\"\n\"0\",\"0\"\n\"0.000001\",\"1\"\n\"0.000003\",\"0\"\n",
                "\"Time (s)\",\"Out, left\"\n\"0,0\", \"0\"\n\"0,000001\", \"1\"\n\"0,000003\", \"0\"\n",
                "\"Time (us)\",\"Out, left\"\n0,\"0\"\n1,\"1\"\n3,\"0\"\n")) {
            Capture capture = read(table);
            assertEquals("0=0 1000=1 3000=0", edges(capture.channels().get(0)), table);
            assertEquals(List.of("Out, left"), names(capture), table);
            assertEquals(List.of(), capture.problems(), table);
        }
    }

    /** 100 kHz are 10 µs from row to row. */
    @Test
    void samplesHaveTimesByTheRateThatTheFileTells() throws IOException {
        for (String table : List.of(
                "Sample rate: 100 kHz\nSample,Out\n0,0\n1,1\n2,1\n3,0\n",
                "; Samplerate: 0.1 MHz\nOut\n0\n1\n1\n0\n",
                "# sampling interval 10 us\nOut,Gate\n0,1\n1,1\n1,1\n0,1\n",
                "Sampling rate 100000 Sa/s\nIndex;Out\n0;0,1\n1;4,9\n2;4,9\n3;0,1\n")) {
            Capture capture = read(table);
            assertEquals(List.of(), capture.problems(), table);
            assertEquals("0=0 10000=1 30000=0", edges(capture.channels().get(0)), table);
            assertEquals("Out", names(capture).get(0), table);
        }
        // A time that is told counts, whatever the rate.
        assertEquals(
                "0=0 1000=1",
                edges(read("Sample rate: 100 kHz\nTime,Out\n0,0\n0.000001,1\n")
                        .channels()
                        .get(0)));
        assertEquals(List.of("0 capture.no_rate"), why(read("Sample,Out\n0,0\n1,1\n")));
        assertEquals(List.of("0 capture.no_figures"), why(read("Out\n0\n1\n1\n")));
    }

    @Test
    void aLineOfUnitsIsNoLineOfNames() throws IOException {
        Capture capture = read("Time,Out,Gate\n(ms),(V),(V)\n0,0.1,4.9\n0.001,4.9,4.9\n0.003,0.1,4.9\n");
        assertEquals(List.of("Out", "Gate"), names(capture));
        assertEquals("0=0 1000=1 3000=0", edges(capture.channels().get(0)));
        assertEquals(
                List.of("Out", "Gate", "Mid [x]"), names(read("in s,Out in V,Gate (mV),Mid [x]\n0,0,0,0\n1,1,1,1\n")));
        // A line of nothing but separators says nothing.
        assertEquals(List.of("Out"), names(read("Time,Out\n,,\n0,0\n1,1\n")));
        // What is empty in the first row is no channel.
        assertEquals(List.of("Out"), names(read("Time,Out,,\n0,0,,\n1,1,,\n")));
    }

    @Test
    void rowsThatCannotBeReadAreToldAndPassedOver() throws IOException {
        Capture capture = read("t,a,b\n0,0,1\n1,1\nsoon,1,1\n3,1,0\n2,0,0\n4,x,1\n");
        assertEquals(List.of("3 capture.cells", "4 capture.no_time", "6 capture.time_back"), why(capture));
        assertEquals("0=0 3000000000=1 4000000000=2", edges(capture.channels().get(0)));
    }

    @Test
    void thousandsOfProblemsAreNotToldOneByOne() throws IOException {
        StringBuilder text = new StringBuilder(HEAD.replace("$var wire 8 # data $end\n", ""));
        for (int i = 0; i < 5000; i++) {
            text.append("1?\n");
        }
        Capture capture = read(text.append("#1\n").toString().replace("$end\n1?", "$end\n#0\n1?"));
        assertEquals(21, capture.problems().size());
        assertEquals("capture.more", capture.problems().get(20).why().key());
    }

    @Test
    void nothingThatATerminalObeysIsInASentence() throws IOException {
        Capture capture = read(HEAD + "#5\n" + "\u001B[2J\u0007hello\u202E" + "x".repeat(100) + "\n");
        String told = capture.problems().stream()
                .map(problem -> problem.why().values().toString())
                .reduce("", String::concat);
        assertTrue(told.contains("·[2J·hello·xxx") && told.endsWith("…}"), told);
        assertTrue(told.codePoints().noneMatch(Character::isISOControl));
    }

    @Test
    void whatIsWrittenIsReadBackTheSame() throws IOException {
        Random random = new Random(3);
        List<Channel> channels = new ArrayList<>();
        for (int i = 0; i < 120; i++) {
            Channel channel = new Channel("wire " + i);
            long time = 0;
            for (int edge = 0; edge < 50; edge++) {
                channel.add(time, (byte) random.nextInt(3));
                time += 1 + random.nextInt(1000);
            }
            channels.add(channel);
        }
        StringBuilder text = new StringBuilder();
        VcdWriter.write(new Capture(1e-8, channels, 60_000, List.of()), text);
        Capture back = read(text.toString());
        assertEquals(1e-8, back.unit(), 1e-20);
        assertEquals(60_000, back.end());
        assertEquals(List.of(), back.problems());
        for (int i = 0; i < 120; i++) {
            assertEquals(edges(channels.get(i)), edges(back.channels().get(i)));
            assertEquals("wire " + i, back.channels().get(i).name());
        }
    }

    @Test
    void theLevelAtATimeIsFound() {
        Channel channel = new Channel("D0");
        channel.add(10, Channel.HIGH);
        channel.add(20, Channel.LOW);
        assertEquals(Channel.UNKNOWN, channel.levelAt(9));
        assertEquals(Channel.HIGH, channel.levelAt(10));
        assertEquals(Channel.HIGH, channel.levelAt(19));
        assertEquals(Channel.LOW, channel.levelAt(1_000));
        assertEquals(-1, channel.edgeAt(9));
        assertTrue(channel.without(11).count() == 2, "the first stretch is no glitch");
    }
}
