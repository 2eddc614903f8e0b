package taxon.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import taxon.app.store.PlanRows.AddressRow;
import taxon.app.store.PlanRows.CheckRow;
import taxon.app.store.PlanRows.EvidenceRow;
import taxon.app.store.PlanRows.FixtureRow;
import taxon.app.store.PlanRows.GroupRow;
import taxon.app.store.PlanRows.PositionRow;
import taxon.app.store.PlanRows.ReservedRow;
import taxon.app.store.PlanRows.TypeRow;
import taxon.app.store.PlanRows.ValueRow;

/** The tables of a plan, a statement each. */
@Mapper
interface PlanMapper {
    @Select("select type_id, definition from rig_type where job_id = #{job}")
    List<TypeRow> types(int job);

    @Select("""
            select number, name, kind, length_um, across_um, upstage_um, height_um, angle, upright, rank, uuid
            from position where job_id = #{job}
            """)
    List<PositionRow> positions(int job);

    @Select("select number, definition from box where job_id = #{job}")
    List<ValueRow> boxes(int job);

    @Select("select number, definition from universe where job_id = #{job}")
    List<ValueRow> universes(int job);

    @Select("select number, definition from line where job_id = #{job}")
    List<ValueRow> lines(int job);

    @Select("select number, definition from radio_link where job_id = #{job}")
    List<ValueRow> radioLinks(int job);

    @Select("select number, universe, first_slot, last_slot, label from reserved_run where job_id = #{job}")
    List<ReservedRow> reservedRuns(int job);

    @Select("""
            select number, fixture_id, type_id, mode, position, unit, name, note, offset_um, traits, uuid
            from fixture where job_id = #{job}
            """)
    List<FixtureRow> fixtures(int job);

    @Select("select fixture, block, universe, slot from fixture_address where job_id = #{job}")
    List<AddressRow> addresses(int job);

    @Select("""
            select fixture, block, uid, set_universe, set_slot, set_mode, set_at, set_by,
                   proved_universe, proved_slot, proved_mode, proved_at, proved_by, menu
            from evidence where job_id = #{job}
            """)
    List<EvidenceRow> evidence(int job);

    @Select("select fixture, item, definition from unit_check where job_id = #{job}")
    List<CheckRow> checks(int job);

    @Insert("insert or replace into unit_check (job_id, fixture, item, definition) "
            + "values (#{job}, #{row.fixture}, #{row.item}, #{row.definition})")
    void putCheck(@Param("job") int job, @Param("row") CheckRow row);

    @Delete("delete from unit_check where job_id = #{job} and fixture = #{fixture} and item = #{item}")
    void dropCheck(@Param("job") int job, @Param("fixture") int fixture, @Param("item") String item);

    @Select("select number, kind, name, group_id, parent, members, parts, rules from rig_group where job_id = #{job}")
    List<GroupRow> groups(int job);

    @Select("select number, definition from share where job_id = #{job}")
    List<ValueRow> shares(int job);

    @Select("select number, definition from wish where job_id = #{job}")
    List<ValueRow> wishes(int job);

    @Insert(
            "insert or replace into share (job_id, number, definition) values (#{job}, #{row.number}, #{row.definition})")
    void putShare(@Param("job") int job, @Param("row") ValueRow row);

    @Insert(
            "insert or replace into wish (job_id, number, definition) values (#{job}, #{row.number}, #{row.definition})")
    void putWish(@Param("job") int job, @Param("row") ValueRow row);

    @Delete("delete from share where job_id = #{job} and number = #{number}")
    void dropShare(@Param("job") int job, @Param("number") int number);

    @Delete("delete from wish where job_id = #{job} and number = #{number}")
    void dropWish(@Param("job") int job, @Param("number") int number);

    @Insert("""
            insert or replace into rig_group (job_id, number, kind, name, group_id, parent, members, parts, rules)
            values (#{job}, #{row.number}, #{row.kind}, #{row.name}, #{row.groupId}, #{row.parent}, #{row.members},
                #{row.parts}, #{row.rules})
            """)
    void putGroup(@Param("job") int job, @Param("row") GroupRow row);

    @Delete("delete from rig_group where job_id = #{job} and number = #{number}")
    void dropGroup(@Param("job") int job, @Param("number") int number);

    @Insert("""
            insert into rig_type (job_id, type_id, definition) values (#{job}, #{row.typeId}, #{row.definition})
            on conflict do update set definition = excluded.definition
            """)
    void putType(@Param("job") int job, @Param("row") TypeRow row);

    @Insert("""
            insert into position (job_id, number, name, kind, length_um, across_um, upstage_um, height_um, angle,
                upright, rank, uuid)
            values (#{job}, #{row.number}, #{row.name}, #{row.kind}, #{row.lengthUm}, #{row.acrossUm}, #{row.upstageUm},
                #{row.heightUm}, #{row.angle}, #{row.upright}, #{row.rank}, #{row.uuid})
            on conflict do update set name = excluded.name, kind = excluded.kind, length_um = excluded.length_um,
                across_um = excluded.across_um, upstage_um = excluded.upstage_um, height_um = excluded.height_um,
                angle = excluded.angle, upright = excluded.upright, rank = excluded.rank, uuid = excluded.uuid
            """)
    void putPosition(@Param("job") int job, @Param("row") PositionRow row);

    @Insert("insert or replace into box (job_id, number, definition) values (#{job}, #{row.number}, #{row.definition})")
    void putBox(@Param("job") int job, @Param("row") ValueRow row);

    @Insert(
            "insert or replace into universe (job_id, number, definition) values (#{job}, #{row.number}, #{row.definition})")
    void putUniverse(@Param("job") int job, @Param("row") ValueRow row);

    @Insert(
            "insert or replace into line (job_id, number, definition) values (#{job}, #{row.number}, #{row.definition})")
    void putLine(@Param("job") int job, @Param("row") ValueRow row);

    @Insert("""
            insert or replace into radio_link (job_id, receiver, number, definition)
            values (#{job}, #{receiver}, #{row.number}, #{row.definition})
            """)
    void putRadioLink(@Param("job") int job, @Param("receiver") String receiver, @Param("row") ValueRow row);

    @Insert("""
            insert into reserved_run (job_id, number, universe, first_slot, last_slot, label)
            values (#{job}, #{row.number}, #{row.universe}, #{row.firstSlot}, #{row.lastSlot}, #{row.label})
            on conflict do update set universe = excluded.universe, first_slot = excluded.first_slot,
                last_slot = excluded.last_slot, label = excluded.label
            """)
    void putReserved(@Param("job") int job, @Param("row") ReservedRow row);

    /** @param rows a JSON array, of each fixture an array of its columns from the number on */
    @Insert("""
            insert into fixture (job_id, number, fixture_id, type_id, mode, position, unit, name, note, offset_um, traits,
                uuid)
            select #{job}, value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5, value ->> 6,
                   value ->> 7, value ->> 8, value ->> 9, value ->> 10
            from json_each(#{rows}) where true
            on conflict do update set fixture_id = excluded.fixture_id, type_id = excluded.type_id, mode = excluded.mode,
                position = excluded.position, unit = excluded.unit, name = excluded.name, note = excluded.note,
                offset_um = excluded.offset_um, traits = excluded.traits, uuid = excluded.uuid
            """)
    void putFixtures(@Param("job") int job, @Param("rows") String rows);

    /** @param fixtures a JSON array of their numbers */
    @Delete(
            "delete from fixture_address where job_id = #{job} and fixture in (select value from json_each(#{fixtures}))")
    void dropAddresses(@Param("job") int job, @Param("fixtures") String fixtures);

    /** @param rows a JSON array, of each address an array of fixture, block, universe and slot */
    @Insert("""
            insert into fixture_address (job_id, fixture, block, universe, slot)
            select #{job}, value ->> 0, value ->> 1, value ->> 2, value ->> 3 from json_each(#{rows})
            """)
    void putAddresses(@Param("job") int job, @Param("rows") String rows);

    @Insert("""
            insert or replace into evidence (job_id, fixture, block, uid, set_universe, set_slot, set_mode, set_at, set_by,
                proved_universe, proved_slot, proved_mode, proved_at, proved_by, menu)
            values (#{job}, #{row.fixture}, #{row.block}, #{row.uid}, #{row.setUniverse}, #{row.setSlot}, #{row.setMode},
                #{row.setAt}, #{row.setBy}, #{row.provedUniverse}, #{row.provedSlot}, #{row.provedMode}, #{row.provedAt},
                #{row.provedBy}, #{row.menu})
            """)
    void putEvidence(@Param("job") int job, @Param("row") EvidenceRow row);

    @Delete("delete from rig_type where job_id = #{job} and type_id = #{id}")
    void dropType(@Param("job") int job, @Param("id") String id);

    @Delete("delete from position where job_id = #{job} and number = #{number}")
    void dropPosition(@Param("job") int job, @Param("number") int number);

    @Delete("delete from box where job_id = #{job} and number = #{number}")
    void dropBox(@Param("job") int job, @Param("number") int number);

    @Delete("delete from radio_link where job_id = #{job} and receiver = #{receiver} and number = #{number}")
    void dropRadioLink(@Param("job") int job, @Param("receiver") String receiver, @Param("number") int number);

    @Delete("delete from line where job_id = #{job} and number = #{number}")
    void dropLine(@Param("job") int job, @Param("number") int number);

    @Delete("delete from universe where job_id = #{job} and number = #{number}")
    void dropUniverse(@Param("job") int job, @Param("number") int number);

    @Delete("delete from reserved_run where job_id = #{job} and number = #{number}")
    void dropReserved(@Param("job") int job, @Param("number") int number);

    @Delete("delete from fixture where job_id = #{job} and number = #{number}")
    void dropFixture(@Param("job") int job, @Param("number") int number);

    @Delete("delete from evidence where job_id = #{job} and fixture = #{fixture} and block = #{block}")
    void dropEvidence(@Param("job") int job, @Param("fixture") int fixture, @Param("block") int block);
}
