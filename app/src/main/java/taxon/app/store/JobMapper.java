package taxon.app.store;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;

/** The table of jobs. */
@Mapper
interface JobMapper {
    record JobRow(
            int id,
            String name,
            String venue,
            @Nullable String fromDay,
            @Nullable String toDay,
            String note,
            String view,
            String counting,
            String network,
            long version) {}

    @Select(
            "select id, name, venue, from_day, to_day, note, view, counting, network, version from job where id = #{id}")
    Optional<JobRow> find(int id);

    @Select("select version from job where id = #{id}")
    Optional<Long> version(int id);

    @Select("select id from job order by id")
    List<Integer> ids();

    @Select("select coalesce(max(id), 0) + 1 from job")
    int nextId();

    @Insert("""
            insert into job (id, name, venue, from_day, to_day, note, version, created_at)
            values (#{id}, #{name}, '', null, null, '', 0, #{at})
            """)
    void make(@Param("id") int id, @Param("name") String name, @Param("at") String at);

    @Update("""
            update job set name = #{name}, venue = #{venue}, from_day = #{from}, to_day = #{to}, note = #{note},
                view = #{view}, counting = #{counting}, network = #{network}
            where id = #{id}
            """)
    void putSheet(
            @Param("id") int id,
            @Param("name") String name,
            @Param("venue") String venue,
            @Param("from") @Nullable String from,
            @Param("to") @Nullable String to,
            @Param("note") String note,
            @Param("view") String view,
            @Param("counting") String counting,
            @Param("network") String network);

    @Select("select printed_at from job where id = #{id} and printed_at is not null")
    Optional<String> printedAt(int id);

    @Update("update job set printed_at = #{at} where id = #{id} and printed_at is null")
    void markPrinted(@Param("id") int id, @Param("at") String at);

    @Update("update job set place = #{place} where id = #{id}")
    int stand(@Param("id") int id, @Param("place") String place);

    @Select("select place from job where id = #{id}")
    Optional<String> place(int id);

    @Update("update job set version = #{to} where id = #{id} and version = #{from}")
    int advance(@Param("id") int id, @Param("from") long from, @Param("to") long to);
}
