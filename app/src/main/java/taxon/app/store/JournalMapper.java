package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The table of the journal. */
@Mapper
interface JournalMapper {
    record JournalRow(
            int id,
            long version,
            String title,
            String who,
            String at,
            String kind,
            boolean byHand,
            String state,
            String delta) {}

    record TitleRow(int id, String title) {}

    @Insert("""
            insert into journal (job_id, version, title, who, at, kind, by_hand, state, delta)
            values (#{job}, #{version}, #{title}, #{who}, #{at}, #{kind}, #{byHand}, 'DONE', #{delta})
            """)
    void add(
            @Param("job") int job,
            @Param("version") long version,
            @Param("title") String title,
            @Param("who") String who,
            @Param("at") String at,
            @Param("kind") String kind,
            @Param("byHand") boolean byHand,
            @Param("delta") String delta);

    @Update("update journal set state = 'ABANDONED' where job_id = #{job} and state = 'UNDONE'")
    void abandonUndone(int job);

    @Update("update journal set state = #{state}, version = #{version}, delta = #{delta} where id = #{id}")
    void turn(
            @Param("id") int id,
            @Param("state") String state,
            @Param("version") long version,
            @Param("delta") String delta);

    @Select("""
            select id, version, title, who, at, kind, by_hand, state, delta from journal
            where job_id = #{job} and (kind = 'PLAN' or by_hand) and state = 'DONE' order by id desc limit 1
            """)
    Optional<JournalRow> lastDone(int job);

    @Select("""
            select id, version, title, who, at, kind, by_hand, state, delta from journal
            where job_id = #{job} and (kind = 'PLAN' or by_hand) and state = 'UNDONE' order by id limit 1
            """)
    Optional<JournalRow> firstUndone(int job);

    @Select("""
            select id, title from journal
            where job_id = #{job} and (kind = 'PLAN' or by_hand) and state = 'DONE' order by id desc limit 1
            """)
    Optional<TitleRow> lastDoneTitle(int job);

    @Select("""
            select id, title from journal
            where job_id = #{job} and (kind = 'PLAN' or by_hand) and state = 'UNDONE' order by id limit 1
            """)
    Optional<TitleRow> firstUndoneTitle(int job);

    @Select("""
            select id, version, title, who, at, kind, by_hand, state, delta from journal
            where job_id = #{job} and version > #{version} order by version
            """)
    List<JournalRow> since(@Param("job") int job, @Param("version") long version);

    @Select("""
            select id, version, title, who, at, kind, by_hand, state, '' as delta from journal
            where job_id = #{job} order by id desc limit #{most}
            """)
    List<JournalRow> latest(@Param("job") int job, @Param("most") int most);

    @Select("""
            select id, version, title, who, at, kind, by_hand, state, delta from journal where job_id = #{job} and id = #{id}
            """)
    Optional<JournalRow> find(@Param("job") int job, @Param("id") int id);

    @Select("select thinned_to from job where id = #{job}")
    long thinnedTo(int job);

    @Select("select coalesce(max(id), 0) from journal where job_id = #{job} and kind = 'PLAN' and state = 'DONE'")
    int lastDoneId(int job);

    /** Edits that make the plan differ from what it was at a version: done since, or undone since. */
    @Select("""
            select count(*) from journal where job_id = #{job} and kind = 'PLAN'
            and ((id > #{entry} and state = 'DONE') or (id <= #{entry} and state <> 'DONE' and version > #{version}))
            """)
    int editsSince(@Param("job") int job, @Param("entry") int entry, @Param("version") long version);
}
