/*
 * The rooms of each layer, from the lowest floor up: a room may use those that stand before it, never one after it.
 * Said once here; the rules of the lint, of the check for circles and their tests are made from it.
 */
export const layers = ['contract', 'core', 'server', 'app', 'school'];

/** Which layers a layer may know. */
export const mayKnow = {
  contract: [],
  core: ['contract'],
  server: ['core', 'contract'],
  app: ['core', 'contract'],
  school: ['contract'],
};

export const floors = {
  core: [
    'sources',
    'household',
    'contacts',
    'gradebook',
    'attendance',
    'calendar',
    'outlook',
    'plan',
    'followups',
    'alerts',
  ],
  server: [
    ...[
      'kit',
      'records',
      'household',
      'sources',
      'attendance',
      'gradebook',
      'followups',
      'contacts',
      'around',
      'messages',
      'notes',
      'meetings',
    ],
    ...[
      'announcements',
      'search',
      'alerts',
      'desk',
      'outlook',
      'plan',
      'calendar',
      'brief',
      'sitdown',
      'operator',
      'main',
    ],
  ],
  app: [
    ...[
      'store',
      'i18n',
      'ui',
      'workers',
      'household',
      'device',
      'sources',
      'gradebook',
      'attendance',
      'followups',
    ],
    ...[
      'announcements',
      'notes',
      'contacts',
      'around',
      'messages',
      'search',
      'calendar',
      'meetings',
      'alerts',
      'plan',
      'outlook',
      'desk',
      'sitdown',
      'operator',
      'shell',
      'places',
      'app',
    ],
  ],
};

/**
 * Doors of a room: its index; in the app also its endpoints, so that a screen that needs another room's data alone does
 * not load that room's screens.
 */
export const doors = { core: ['index'], server: ['index'], app: ['index', 'api'] };

/** Who owns which table of the server: only the owner's stores and the migrations name it. */
export const tables = {
  kit: ['login_tries', 'demo_clock', 'worker_processes', 'write_answers', 'touches', 'kept_answers'],
  records: [
    ...[
      'schools',
      'terms',
      'students',
      'teachers',
      'courses',
      'enrolments',
      'categories',
      'items',
      'results',
    ],
    ...[
      'comments',
      'grades',
      'credit_plans',
      'rubric_marks',
      'hand_ins',
      'attendance_codes',
      'attendance_marks',
    ],
    ...[
      'lessons',
      'school_days',
      'school_events',
      'lesson_notes',
      'announcements',
      'link_codes',
      'told_ids',
      'change_log',
    ],
    ...['balances', 'rides', 'bulletins', 'found_things', 'slots'],
    ...['child_files', 'school_people', 'school_reaches', 'told_restrictions', 'course_leads'],
  ],
  household: [
    ...['households', 'guardians', 'guardian_links', 'drafts', 'sessions', 'devices', 'passkeys'],
    ...['one_time_secrets', 'recovery_codes', 'address_proofs', 'address_changes', 'arrivals'],
    ...['account_mails', 'invitations', 'invitation_children', 'people_notices', 'trail'],
    'restrictions',
  ],
  sources: [
    'sources',
    'sync_problems',
    'bundles',
    'bundle_parts',
    'forwarded_mails',
    'joined_children',
    'joined_courses',
  ],
  attendance: ['household_marks', 'code_meanings'],
  gradebook: [
    ...[
      'current_figures',
      'assumed_figures',
      'figures_wanted',
      'figures_stand',
      'policy_corrections',
      'offer_answers',
      'targets',
      'out_clients',
    ],
  ],
  followups: ['followups', 'followup_entries'],
  messages: ['threads', 'messages', 'thread_reads', 'message_files', 'thread_addresses'],
  notes: ['notes', 'teacher_wants'],
  announcements: ['announcement_states', 'announcement_answers', 'announcement_takes'],
  alerts: [
    'alerts',
    'alert_settings',
    'alert_looks',
    'alert_silences',
    'looks_due',
    'digests',
    'digest_turns',
    'deliveries',
    'phone_proofs',
    'push_devices',
  ],
  outlook: ['efforts', 'asked_answers', 'tries'],
  plan: ['plans', 'plan_exceptions', 'plan_tasks'],
  desk: ['desk_shares', 'desk_words', 'desk_pieces'],
  brief: ['news_looks'],
  meetings: ['meetings', 'meeting_guests'],
  sitdown: ['sitdowns', 'sitdown_pages', 'sitdown_rhythms'],
  operator: ['operators'],
  calendar: [
    ...['calendar_entries', 'calendar_entry_children', 'own_dates', 'supplies_got', 'calendar_feeds'],
    ...['calendar_published', 'calendar_imports', 'imported_events'],
  ],
};

/** What owners publish for the rooms after them to read and to join. */
export const views = {
  records: [
    ...['course_terms', 'student_profiles', 'school_contacts', 'school_courses', 'student_courses'],
    ...[
      'course_items',
      'student_items',
      'student_comments',
      'student_grades',
      'student_marks',
      'student_codes',
    ],
    ...['classroom_says', 'named_people', 'student_agents', 'school_restrictions'],
    ...['student_announcements', 'student_contacts', 'student_slots'],
  ],
  household: ['guardian_profiles', 'standing_links'],
  sources: ['source_states'],
};
