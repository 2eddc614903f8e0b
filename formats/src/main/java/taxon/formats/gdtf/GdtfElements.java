package taxon.formats.gdtf;

import java.util.Set;

/** The elements that DIN SPEC 15800 names (from memory). What Taxon has no use for stays in the original file unmentioned. */
final class GdtfElements {
    static final Set<String> KNOWN = Set.of(
            ("GDTF FixtureType AttributeDefinitions ActivationGroups ActivationGroup FeatureGroups FeatureGroup Feature"
                            + " Attributes Attribute SubPhysicalUnit Wheels Wheel Slot Filter Facet AnimationSystem PrismFacet"
                            + " PhysicalDescriptions Emitters Emitter Measurement MeasurementPoint Filters ColorSpace"
                            + " AdditionalColorSpaces Gamuts Gamut DMXProfiles DMXProfile Point CRIs CRIGroup CRI Connectors"
                            + " Connector Properties OperatingTemperature Weight PowerConsumption LegHeight Models Model"
                            + " Geometries Geometry Axis FilterBeam FilterColor FilterGobo FilterShaper Beam"
                            + " MediaServerLayer MediaServerCamera MediaServerMaster Display GeometryReference Break Laser"
                            + " Protocol WiringObject PinPatch Inventory Structure Support Magnet DMXModes DMXMode DMXChannels"
                            + " DMXChannel LogicalChannel ChannelFunction ChannelSet SubChannelSet Relations Relation FTMacros"
                            + " FTMacro MacroDMX MacroDMXStep MacroDMXValue MacroVisual MacroVisualStep MacroVisualValue"
                            + " Revisions Revision FTPresets FTPreset Protocols FTRDM SoftwareVersionID DMXPersonality Art-Net"
                            + " sACN PosiStageNet OpenSoundControl CITP Map")
                    .split(" "));

    private GdtfElements() {}
}
