package taxon.formats.gdtf;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.xmlunit.builder.DiffBuilder;
import org.xmlunit.builder.Input;
import org.xmlunit.diff.Diff;
import taxon.core.fixture.BuiltInTypes;
import taxon.core.fixture.FixtureType;
import taxon.core.testing.RandomTypes;
import taxon.demo.DemoTypes;
import taxon.formats.xml.SafeXml;
import taxon.formats.xml.XmlElement;
import taxon.formats.xml.XmlRefusedException;
import taxon.formats.zip.ArchiveRefusedException;
import taxon.formats.zip.SafeArchive;

class GdtfWriterTest {
    private static final Instant AT = Instant.parse("2026-12-01T10:00:00Z");

    @Test
    void theDescriptionOfASmallTypeIsAsExpected() {
        FixtureType dimmer =
                BuiltInTypes.generic().named("Generic", "Dimmer 16-bit").orElseThrow();
        Diff diff = DiffBuilder.compare(
                        Input.fromString("""
                        <GDTF DataVersion="1.2">
                          <FixtureType Name="Dimmer 16-bit" ShortName="Dimmer 16-bit" LongName="Generic Dimmer 16-bit"
                              Manufacturer="Generic" Description="" FixtureTypeID="%s" CanHaveChildren="No">
                            <AttributeDefinitions>
                              <ActivationGroups/>
                              <FeatureGroups><FeatureGroup Name="Dimmer" Pretty="Dimmer"><Feature Name="Dimmer"/></FeatureGroup></FeatureGroups>
                              <Attributes>
                                <Attribute Name="Dimmer" Pretty="intensity" Feature="Dimmer.Dimmer" PhysicalUnit="LuminousIntensity"/>
                              </Attributes>
                            </AttributeDefinitions>
                            <Wheels/><PhysicalDescriptions/><Models/>
                            <Geometries>
                              <Geometry Name="Body 1" Position="{1,0,0,0}{0,1,0,0}{0,0,1,0}{0,0,0,1}">
                                <WiringObject Name="DMX Input 1" ConnectorType="XLR5" ComponentType="Input" SignalType="DMX512"
                                    Position="{1,0,0,0}{0,1,0,0}{0,0,1,0}{0,0,0,1}"/>
                                <WiringObject Name="DMX Output 1" ConnectorType="XLR5" ComponentType="Output" SignalType="DMX512"
                                    Position="{1,0,0,0}{0,1,0,0}{0,0,1,0}{0,0,0,1}"/>
                              </Geometry>
                            </Geometries>
                            <DMXModes>
                              <DMXMode Name="2-channel" Geometry="Body 1">
                                <DMXChannels>
                                  <DMXChannel DMXBreak="1" Offset="1,2" InitialFunction="Body 1_Dimmer.Dimmer.Dimmer 1"
                                      Highlight="None" Geometry="Body 1">
                                    <LogicalChannel Attribute="Dimmer" Snap="No" Master="None" MibFade="0" DMXChangeTimeLimit="0">
                                      <ChannelFunction Name="Dimmer 1" Attribute="Dimmer" OriginalAttribute="" DMXFrom="0/2"
                                          Default="0/2" PhysicalFrom="0.0" PhysicalTo="1.0" RealFade="0" RealAcceleration="0"/>
                                    </LogicalChannel>
                                  </DMXChannel>
                                </DMXChannels>
                                <Relations/><FTMacros/>
                              </DMXMode>
                            </DMXModes>
                            <Revisions><Revision Text="Written by Taxon" Date="2026-12-01T10:00" UserID="0"/></Revisions>
                            <FTPresets/>
                            <Protocols>
                              <FTRDM>
                                <SoftwareVersionID Value="0x00000000"><DMXPersonality Value="0x1" DMXMode="2-channel"/></SoftwareVersionID>
                              </FTRDM>
                            </Protocols>
                          </FixtureType>
                        </GDTF>
                        """.formatted(dimmer.guid().toString().toUpperCase(java.util.Locale.ROOT))))
                .withTest(Input.fromByteArray(description(GdtfWriter.write(dimmer, AT))))
                .ignoreWhitespace()
                .build();
        assertThat(diff.hasDifferences()).as(diff.fullDescription()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 5, 8, 13, 21, 34, 55, 89})
    void readAndWrittenAgainTheDescriptionIsTheSameXml(long seed) {
        byte[] first = GdtfWriter.write(RandomTypes.of(seed), AT);
        byte[] second = GdtfWriter.write(((ParsedGdtf.Read) GdtfReader.read(first)).type(), AT);
        Diff diff = DiffBuilder.compare(Input.fromByteArray(description(first)))
                .withTest(Input.fromByteArray(description(second)))
                .build();
        assertThat(diff.hasDifferences()).as(diff.fullDescription()).isFalse();
        assertThat(second).isEqualTo(first);
    }

    @Test
    void cellsThatDoTheSameShareOneGeometry() throws Exception {
        FixtureType curlew = DemoTypes.book().named("", "Curlew 12").orElseThrow();
        XmlElement type = root(GdtfWriter.write(curlew, AT));
        XmlElement body = type.path("Geometries", "Geometry").get(1);
        assertThat(body.children("GeometryReference")).hasSize(12);
        assertThat(type.path("DMXModes", "DMXMode").get(1).path("DMXChannels", "DMXChannel"))
                .hasSize(4);
    }

    /** Every link leads somewhere, and names are unique among siblings (DIN SPEC 15800, types Node and Name, from memory). */
    @ParameterizedTest
    @ValueSource(longs = {4, 6, 7, 9, 10, 11, 12, 14, 15, 16, 17, 18, 19, 20})
    void everyLinkLeadsSomewhereAndSiblingsHaveNamesOfTheirOwn(long seed) throws Exception {
        XmlElement type = root(GdtfWriter.write(RandomTypes.of(seed), AT));
        Set<String> attributes = names(type.path("AttributeDefinitions", "Attributes", "Attribute"));
        Set<String> geometries = names(type.path("Geometries", "Geometry"));
        for (XmlElement mode : type.path("DMXModes", "DMXMode")) {
            assertThat(geometries).contains(mode.attribute("Geometry").orElseThrow());
            for (XmlElement channel : mode.path("DMXChannels", "DMXChannel")) {
                assertThat(geometries).contains(channel.attribute("Geometry").orElseThrow());
                XmlElement logical = channel.child("LogicalChannel").orElseThrow();
                String attribute = logical.attribute("Attribute").orElseThrow();
                assertThat(attributes).contains(attribute);
                Set<String> functions =
                        names(logical.children("ChannelFunction").toList());
                String link = channel.attribute("InitialFunction").orElseThrow();
                String prefix = channel.attribute("Geometry").orElseThrow() + "_" + attribute + "." + attribute + ".";
                assertThat(link).startsWith(prefix);
                assertThat(functions).contains(link.substring(prefix.length()));
                logical.children("ChannelFunction")
                        .forEach(f -> assertThat(attributes)
                                .contains(f.attribute("Attribute").orElseThrow()));
            }
        }
        names(type.path("DMXModes", "DMXMode"));
        type.path("Geometries", "Geometry").forEach(g -> names(g.children()));
    }

    /** The names of siblings, which must be different and hold no dot. */
    private static Set<String> names(List<XmlElement> siblings) {
        List<String> names =
                siblings.stream().map(e -> e.attribute("Name").orElseThrow()).toList();
        assertThat(names).doesNotHaveDuplicates().noneMatch(n -> n.contains("."));
        return new HashSet<>(names);
    }

    private static XmlElement root(byte[] file) throws XmlRefusedException {
        return SafeXml.read(description(file)).child("FixtureType").orElseThrow();
    }

    private static byte[] description(byte[] file) {
        try {
            byte[] xml = SafeArchive.open(file).read("description.xml", 1 << 24).orElseThrow();
            assertThat(new String(xml, StandardCharsets.UTF_8)).startsWith("<?xml");
            return xml;
        } catch (ArchiveRefusedException e) {
            throw new AssertionError(e);
        }
    }
}
