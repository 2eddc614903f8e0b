package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** What is taken out of the store again, and what takes its room. */
@Mapper
interface UpkeepMapper {
    record SizeRow(String name, long bytes) {}

    record PagesRow(long pages, long free, long size) {}

    record ThinnedRow(
            long thinnedTo, int thinnedEntries, @Nullable String thinnedAt) {}

    @Delete("delete from proposal where state <> 'OPEN' and ended_at < #{before}")
    int dropEnded(String before);

    @Delete("delete from proposal where state = 'OPEN' and made_at < #{before}")
    int dropForgotten(String before);

    @Update("update revision set bundle = null, bundle_at = null where bundle is not null and bundle_at < #{before}")
    int dropBundles(String before);

    @Delete("""
            delete from journal where job_id = #{job} and version <= #{version} and id <= #{entry} and state <> 'UNDONE'
            """)
    int thin(@Param("job") int job, @Param("entry") int entry, @Param("version") long version);

    @Select("""
            select count(*) from journal
            where job_id = #{job} and version <= #{version} and id <= #{entry} and state <> 'UNDONE'
            """)
    int thinnable(@Param("job") int job, @Param("entry") int entry, @Param("version") long version);

    @Update("""
            update job set thinned_to = max(thinned_to, #{version}), thinned_entries = thinned_entries + #{entries},
                thinned_at = #{at} where id = #{job}
            """)
    void thinned(
            @Param("job") int job,
            @Param("version") long version,
            @Param("entries") int entries,
            @Param("at") String at);

    @Select("select thinned_to, thinned_entries, thinned_at from job where id = #{job}")
    Optional<ThinnedRow> findThinned(int job);

    @Select("""
            select coalesce(m.tbl_name, s.name) as name, sum(s.pgsize) as bytes
            from dbstat s left join sqlite_master m on m.name = s.name group by 1 order by 2 desc
            """)
    List<SizeRow> sizes();

    @Select("select page_count as pages, freelist_count as free, page_size as size "
            + "from pragma_page_count, pragma_freelist_count, pragma_page_size")
    PagesRow pages();

    @Select("pragma quick_check(5)")
    List<String> quickCheck();

    @Update("vacuum")
    void vacuum();
}
