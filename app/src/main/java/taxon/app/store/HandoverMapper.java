package taxon.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** The tables of what is said at a hand-over. */
@Mapper
interface HandoverMapper {
    record TakenRow(String about, String reason, String who, long version, String at) {}

    record SignRow(String side, String who, String note, long version, String at) {}

    record NoteRow(String about, String words, String who, String at) {}

    record ValueRow(String type, String name, String value, String who, String at) {}

    @Insert("""
            insert into taken_over (job_id, about, reason, who, version, at)
            values (#{job}, #{about}, #{reason}, #{who}, #{version}, #{at})
            on conflict (job_id, about) do update set reason = excluded.reason, who = excluded.who,
                version = excluded.version, at = excluded.at
            """)
    void take(
            @Param("job") int job,
            @Param("about") String about,
            @Param("reason") String reason,
            @Param("who") String who,
            @Param("version") long version,
            @Param("at") String at);

    @Delete("delete from taken_over where job_id = #{job} and about = #{about}")
    int giveBack(@Param("job") int job, @Param("about") String about);

    @Select("select about, reason, who, version, at from taken_over where job_id = #{job}")
    List<TakenRow> taken(int job);

    @Insert("""
            insert into sign_off (job_id, side, who, note, version, at)
            values (#{job}, #{side}, #{who}, #{note}, #{version}, #{at})
            """)
    void sign(
            @Param("job") int job,
            @Param("side") String side,
            @Param("who") String who,
            @Param("note") String note,
            @Param("version") long version,
            @Param("at") String at);

    /** The newest first. */
    @Select("select side, who, note, version, at from sign_off where job_id = #{job} order by id desc limit 100")
    List<SignRow> signed(int job);

    @Insert("""
            insert into programmer_note (job_id, about, words, who, at) values (#{job}, #{about}, #{words}, #{who}, #{at})
            on conflict (job_id, about) do update set words = excluded.words, who = excluded.who, at = excluded.at
            """)
    void note(
            @Param("job") int job,
            @Param("about") String about,
            @Param("words") String words,
            @Param("who") String who,
            @Param("at") String at);

    @Delete("delete from programmer_note where job_id = #{job} and about = #{about}")
    int forgetNote(@Param("job") int job, @Param("about") String about);

    @Select("select about, words, who, at from programmer_note where job_id = #{job} order by about")
    List<NoteRow> notes(int job);

    @Insert("""
            insert into type_value (type, name, value, who, at) values (#{type}, #{name}, #{value}, #{who}, #{at})
            on conflict (type, name) do update set value = excluded.value, who = excluded.who, at = excluded.at
            """)
    void remember(
            @Param("type") String type,
            @Param("name") String name,
            @Param("value") String value,
            @Param("who") String who,
            @Param("at") String at);

    @Delete("delete from type_value where type = #{type} and name = #{name}")
    int forgetValue(@Param("type") String type, @Param("name") String name);

    @Select("select type, name, value, who, at from type_value order by type, name")
    List<ValueRow> values();
}
