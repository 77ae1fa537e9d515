import { inAlerts, inAttendance, inBrief, inCourses, inTalk } from '../../../places';

const Brief = inBrief((brief) => brief.Brief);
const beside = {
  Alert: inAlerts((alerts) => alerts.AlertView),
  Announcement: inTalk((talk) => talk.AnnouncementView),
  Assignment: inCourses((courses) => courses.Assignment),
  Attendance: inAttendance((attendance) => attendance.AttendanceOfChild),
  Course: inCourses((courses) => courses.CourseView),
  FollowUp: inTalk((talk) => talk.FollowUpView),
  Meeting: inTalk((talk) => talk.MeetingView),
  Thread: inTalk((talk) => talk.ThreadView),
};

export default function BriefOfToday() {
  return <Brief beside={beside} />;
}
