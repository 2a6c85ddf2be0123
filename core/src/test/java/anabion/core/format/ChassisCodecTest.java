package anabion.core.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.when;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.OwnTypes;
import anabion.core.chassis.TestSets;
import anabion.core.command.TypeLine;
import anabion.core.device.DeviceLibrary;
import anabion.core.error.InputException;
import anabion.core.json.Tree;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

@ExtendWith(MockitoExtension.class)
class ChassisCodecTest {
    private final Chassis set = TestSets.audioEnd();
    private final String json = ChassisCodec.text(set);

    private static Object plain(String json) throws IOException {
        Tree tree = TreeReader.read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8)));
        return tree.plain();
    }

    @Test
    void whatIsWrittenReadsBackEqual() {
        assertThat(ChassisCodec.read(json)).isEqualTo(set);
        assertThat(ChassisCodec.text(ChassisCodec.read(json))).isEqualTo(json);
    }

    /** Objects whose names are data. */
    private static final Set<Object> MAPS = Set.of("nets", "functions", "pins", "limits");

    /** Puts an unknown field into every object of the document. */
    private static Object salted(Object value) {
        if (value instanceof Map<?, ?> map) {
            Map<String, Object> out = new LinkedHashMap<>();
            map.forEach((k, v) -> out.put(String.valueOf(k), MAPS.contains(k) ? v : salted(v)));
            out.put("x-unknown", Map.of("kept", List.of(1, true, "yes")));
            return out;
        }
        return value instanceof List<?> list
                ? list.stream().map(ChassisCodecTest::salted).toList()
                : value;
    }

    @Test
    void unknownFieldsAtEveryLevelSurvive() throws IOException {
        String salted = TreeWriter.text(salted(plain(json)));
        Chassis read = ChassisCodec.read(salted);
        assertThat(plain(ChassisCodec.text(read))).isEqualTo(plain(salted));
        assertThat(read.parts().get(0).extra().fields()).containsKey("x-unknown");
        assertThat(read.chart().orElseThrow().rows().get(0).extra().fields()).containsKey("x-unknown");
    }

    @Test
    void aDielectricOfAnotherReleaseIsKept() throws IOException {
        String silk = json.replaceFirst("\"dielectric\" : \"\\w+\"", "\"dielectric\" : \"oiled silk\"");
        assertThat(silk).isNotEqualTo(json);
        assertThat(plain(ChassisCodec.text(ChassisCodec.read(silk)))).isEqualTo(plain(silk));
    }

    @Test
    void unknownFieldsOfATypeThatTheSetBringsAlongSurvive() throws IOException {
        DeviceLibrary shipped = DeviceLibrary.standard();
        DeviceLibrary own = shipped.with(List.of(
                TypeLine.edit(shipped.find("6AQ5").orElseThrow(), "mu 11"),
                TypeLine.edit(shipped.find("6AT6").orElseThrow(), "source own tester")));
        Chassis dressed = OwnTypes.dress(set, shipped, own);
        String salted = TreeWriter.text(salted(plain(ChassisCodec.text(dressed))));
        assertThat(plain(ChassisCodec.text(ChassisCodec.read(salted)))).isEqualTo(plain(salted));
        assertThat(salted.split("x-unknown", -1)).hasSizeGreaterThan(json.split("\"reference\"", -1).length + 8);
    }

    @Test
    void unknownFieldsSurviveAnEdit() throws IOException {
        Chassis read = ChassisCodec.read(TreeWriter.text(salted(plain(json))));
        Chassis edited = anabion.core.command.StudyLine.chartLine(
                "chart-line 230", anabion.core.chassis.Renames.part(read, "R13", "R99"));
        assertThat(ChassisCodec.text(edited).split("x-unknown", -1))
                .hasSameSizeAs(TreeWriter.text(salted(plain(json))).split("x-unknown", -1));
    }

    @Test
    void thousandsOfPartsAreNoSet() {
        int at = json.indexOf("\"parts\" : [") + "\"parts\" : [".length();
        StringBuilder many = new StringBuilder();
        for (int n = 0; n < 2000; n++)
            many.append("{\"reference\": \"X")
                    .append(n)
                    .append("\", \"kind\": \"resistor\", \"ohms\": 1, \"nets\": {}},");
        assertThatThrownBy(() -> ChassisCodec.read(json.substring(0, at) + many + json.substring(at)))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("at most 2000 parts");
    }

    /** A disk that fails is no bad chassis: what it says goes on to whoever opened the file. */
    @Test
    void aDiskThatFailsUnderTheReaderIsNoBadInput(@Mock InputStream disk) throws IOException {
        when(disk.read(any(byte[].class), anyInt(), anyInt())).thenThrow(new IOException("Input/output error"));
        assertThatThrownBy(() -> ChassisCodec.read(disk))
                .isInstanceOf(IOException.class)
                .isNotInstanceOf(InputException.class)
                .hasMessage("Input/output error");
    }

    @Test
    void theDocumentKeepsItsSchema() throws IOException {
        Path file = Path.of(System.getProperty("anabion.root", ".."), "docs", "formats", "chassis.schema.json");
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(file));
        assertThat(schema.validate(json, InputFormat.JSON)).isEmpty();
        assertThat(schema.validate(json.replace("\"resistor\"", "\"tree\""), InputFormat.JSON))
                .isNotEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"version\" : 1 | \"version\" : 9 | version 9 is newer | version",
                "\"version\" : 1 | \"version\" : \"one\" | whole number belongs here | version",
                "\"anabion-chassis\" | \"shopping-list\" | not a chassis | format",
                "\"kind\" : \"resistor\" | \"kind\" : \"tree\" | no kind of part | kind",
                "\"ohms\" : 33000 | \"ohms\" : \"33k\" | a number belongs here | ohms",
                "\"ohms\" : 33000 | \"ohms\" : -33000 | negative | ohms",
                "\"reference\" : \"R8\" | \"reference\" : \"R7\" | R7 stands twice | reference",
                "\"1\" : \"V3.7\" | \"1\" : \"V33.7\" | net V33.7 is unknown | nets",
                "\"point\" : \"V4.6\" | \"point\" : \"V4.66\" | net V4.66 is unknown | point",
                "\"meter\" : \"20k/V\" | \"meter\" : \"a good one\" | not a value | meter",
                "\"hertz\" : 50 | \"hertz\" : 0.000025 | no mains has this frequency | hertz",
                "\"volts\" : 230 | \"volts\" : 2e8 | no receiver has so many volts | volts",
                "\"hertz\" : 50 | \"hertz\" : 50000 | no mains has this frequency | hertz",
                "\"reference\" : \"R8\" | \"reference\" : \"R8.1\" | would be read as a pin | reference",
                "\"kind\" : \"home\" | \"kind\" : \"garage\" | not known here | kind",
                "\"ohms\" : 33000 | \"ohms\" : 33000, \"partRole\" : \"choke\" | can't be that | partRole",
                "\"ohms\" : 33000 | \"ohms\" : 33000, \"partRole\" : \"conductor\" | not known here | partRole"
            })
    void badFieldsAreNamed(String good, String bad, String what, String field) {
        assertThat(json).contains(good);
        int at = json.indexOf(good);
        String broken = json.substring(0, at) + bad + json.substring(at + good.length());
        assertThatThrownBy(() -> ChassisCodec.read(broken)).isInstanceOfSatisfying(InputException.class, e -> {
            assertThat(e.getMessage()).contains(what);
            assertThat(e.where()).contains(field);
            assertThat(e.remedy()).isNotBlank();
        });
    }

    @Test
    void everyTruncationIsAClearError() {
        for (int cut = 0; cut < json.length() - 2; cut += 97) {
            String half = json.substring(0, cut);
            assertThatThrownBy(() -> ChassisCodec.read(half))
                    .as("cut at %d", half.length())
                    .isInstanceOfSatisfying(
                            InputException.class, e -> assertThat(e.what()).isNotBlank());
        }
    }

    @Test
    void errorsNameTheLine() {
        String broken = json.replaceFirst("\"ohms\" : 33000", "\"ohms\" : true");
        int line = (int)
                broken.substring(0, broken.indexOf("\"ohms\" : true")).lines().count();
        assertThatThrownBy(() -> ChassisCodec.read(broken)).hasMessageContaining("line " + line);
    }

    @Test
    void moreThanOneDocumentOrADoubledNameIsRefused() {
        assertThatThrownBy(() -> ChassisCodec.read(json + "{}")).hasMessageContaining("behind the end");
        assertThatThrownBy(() -> ChassisCodec.read("{\"format\":\"anabion-chassis\",\"format\":\"x\"}"))
                .isInstanceOf(InputException.class);
        assertThatThrownBy(() -> ChassisCodec.read("[]")).hasMessageContaining("an object belongs here");
        assertThatThrownBy(() -> ChassisCodec.read("")).hasMessageContaining("empty");
    }

    @Test
    void aHandWrittenFileWithoutIdsGetsThem() {
        String small =
                "{\"format\":\"anabion-chassis\",\"version\":1,\"identity\":{\"model\":\"Nameless\"},\"supply\":{},\"parts\":[{\"reference\":\"R1\",\"kind\":\"resistor\",\"ohms\":1000,\"nets\":{\"1\":\"A\",\"2\":\"B\"}}]}";
        Chassis c = ChassisCodec.read(small);
        assertThat(c.parts()).singleElement().satisfies(p -> assertThat(p.id()).isNotNull());
        assertThat(c.name()).isEqualTo("Nameless");
    }
}
