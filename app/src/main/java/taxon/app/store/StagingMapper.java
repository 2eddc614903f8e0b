package taxon.app.store;

import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

/** The tables in which the fixtures of a long edit wait for it. */
@Mapper
interface StagingMapper {
    /** @param rows a JSON array, of each fixture an array of its columns from the number on */
    @Insert("""
            insert into fixture_staged (batch, number, fixture_id, type_id, mode, position, unit, name, note, offset_um,
                traits, uuid)
            select #{batch}, value ->> 0, value ->> 1, value ->> 2, value ->> 3, value ->> 4, value ->> 5, value ->> 6,
                   value ->> 7, value ->> 8, value ->> 9, value ->> 10
            from json_each(#{rows})
            """)
    void stageFixtures(@Param("batch") int batch, @Param("rows") String rows);

    /** @param rows a JSON array, of each address an array of fixture, block, universe and slot */
    @Insert("""
            insert into address_staged (batch, fixture, block, universe, slot)
            select #{batch}, value ->> 0, value ->> 1, value ->> 2, value ->> 3 from json_each(#{rows})
            """)
    void stageAddresses(@Param("batch") int batch, @Param("rows") String rows);

    /** Gives how many fixtures were taken over. */
    @Insert("""
            insert into fixture (job_id, number, fixture_id, type_id, mode, position, unit, name, note, offset_um, traits,
                uuid)
            select #{job}, number, fixture_id, type_id, mode, position, unit, name, note, offset_um, traits, uuid
            from fixture_staged where batch = #{batch}
            on conflict do update set fixture_id = excluded.fixture_id, type_id = excluded.type_id, mode = excluded.mode,
                position = excluded.position, unit = excluded.unit, name = excluded.name, note = excluded.note,
                offset_um = excluded.offset_um, traits = excluded.traits, uuid = excluded.uuid
            """)
    int takeFixtures(@Param("job") int job, @Param("batch") int batch);

    @Delete("""
            delete from fixture_address
            where job_id = #{job} and fixture in (select number from fixture_staged where batch = #{batch})
            """)
    void dropAddresses(@Param("job") int job, @Param("batch") int batch);

    @Insert("""
            insert into fixture_address (job_id, fixture, block, universe, slot)
            select #{job}, fixture, block, universe, slot from address_staged where batch = #{batch}
            """)
    void takeAddresses(@Param("job") int job, @Param("batch") int batch);

    /** Takes some of a batch away; gives how many. */
    @Delete("""
            delete from fixture_staged where batch = #{batch} and number in
                (select number from fixture_staged where batch = #{batch} limit #{most})
            """)
    int unstageFixtures(@Param("batch") int batch, @Param("most") int most);

    /** Takes the addresses of some fixtures of a batch away; gives how many. */
    @Delete("""
            delete from address_staged where batch = #{batch} and fixture in
                (select fixture from address_staged where batch = #{batch} limit #{most})
            """)
    int unstageAddresses(@Param("batch") int batch, @Param("most") int most);

    @Delete("delete from fixture_staged")
    void unstageAllFixtures();

    @Delete("delete from address_staged")
    void unstageAllAddresses();
}
